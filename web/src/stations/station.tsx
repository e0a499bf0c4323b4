import { Navigate, useParams } from 'react-router';
import { Decide } from './decide/decide.tsx';
import { Fix } from './fix/fix.tsx';
import { Light } from './light/light.tsx';
import { Meaning } from './meaning/meaning.tsx';
import { Narrow } from './narrow/narrow.tsx';
import { PlugIn } from './plug-in/plug-in.tsx';
import { Prove } from './prove/prove.tsx';
import { Read } from './read/read.tsx';
import { Contained } from '../ui/contained.tsx';

/** The station that the address names. A fault in it ends with it: the next station is tried anew. */
export function Station() {
  const { station = '' } = useParams();
  return (
    <Contained name="This station" resetOn={station}>
      <Named station={station} />
    </Contained>
  );
}

function Named({ station }: { station: string }) {
  switch (station) {
    case 'light':
      return <Light />;
    case 'plug-in':
      return <PlugIn />;
    case 'read':
      return <Read />;
    case 'meaning':
      return <Meaning />;
    case 'narrow':
      return <Narrow />;
    case 'decide':
      return <Decide />;
    case 'fix':
      return <Fix />;
    case 'prove':
      return <Prove />;
    default:
      return <Navigate to="../light" replace />;
  }
}

import { Notice } from '../ui/notice.tsx';
import { useCase } from './case-context.ts';

/** Lights whose control unit was not asked, with the way to ask it: a reading without a code does not mean nothing is wrong. */
export function Unasked() {
  const { unasked } = useCase().assessment;
  if (unasked.length === 0) return null;
  return (
    <Notice title="A light that this reading cannot explain.">
      {unasked.map((sentence) => (
        <p key={sentence}>{sentence}</p>
      ))}
    </Notice>
  );
}

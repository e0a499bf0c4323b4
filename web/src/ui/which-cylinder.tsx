/** Which one a named cylinder is: as the owner noted it, or where to find it. */
export function WhichCylinder({
  cylinder,
  cylinderOne,
  bankOne,
  manual,
}: {
  cylinder: number;
  cylinderOne: string | undefined;
  bankOne: string | undefined;
  /** The workshop manual in the owner's English. */
  manual: string;
}) {
  return (
    <p className="border-l-4 border-line pl-2 text-[15px]">
      <b>Which one is cylinder {cylinder}?</b>{' '}
      {cylinderOne
        ? `By your note cylinder 1 is ${cylinderOne}${bankOne ? `, and bank 1 ${bankOne}` : ''}.`
        : `Which end is cylinder 1 differs from engine to engine: look it up in the ${manual}, and note it in the vehicle’s details.`}
    </p>
  );
}

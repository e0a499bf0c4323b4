import { explainCode, type Explanation } from '@pincer/core/codes';
import { json, type Output } from './output.ts';

/** The stable JSON shape of `explain`; see docs/formats.md. */
function shape(e: Explanation) {
  return {
    code: e.code,
    valid: e.valid,
    scope: e.scope,
    system: e.system,
    component: e.component,
    place: {
      ...(e.place.bank === undefined ? {} : { bank: e.place.bank }),
      ...(e.place.sensor === undefined ? {} : { sensor: e.place.sensor }),
      ...(e.place.cylinder === undefined ? {} : { cylinder: e.place.cylinder }),
      ...(e.place.label === undefined ? {} : { label: e.place.label }),
    },
    failure: e.failure,
    title: e.title,
    meaning: e.meaning,
    area: e.area,
    also: e.also,
    ...(e.problem === undefined ? {} : { problem: e.problem }),
    ...(e.suggestion === undefined ? {} : { suggestion: e.suggestion }),
  };
}

/** Explains each code in order; one that is refused does not keep the others from being answered. */
export function explainCodes(codes: readonly string[], asJson: boolean, out: Output): number {
  const explanations = codes.map(explainCode);
  if (asJson) out.log(json(explanations.map(shape)));
  else
    for (const e of explanations.filter((x) => x.valid)) {
      out.log(`${e.code}  ${e.title}`);
      out.log(`       ${e.meaning}`);
      if (e.also.length > 0) out.log(`       Also called: ${e.also.join('; ')}.`);
    }
  const refused = explanations.filter((e) => !e.valid);
  for (const e of refused) {
    out.error(
      `${e.code || '(empty)'}: ${e.problem ?? ''}${e.suggestion ? ` Did you mean ${e.suggestion}?` : ''}`,
    );
  }
  return refused.length > 0 ? 2 : 0;
}

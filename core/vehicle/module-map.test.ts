import { readModuleMap } from './index.ts';

const MODULE = { id: 'brakes', name: 'Brakes', does: 'ABS.', request: '6A0', answer: '6A8' };
const map = (...modules: object[]) =>
  JSON.stringify({ format: 'pincer-module-map', version: 1, name: 'Finch', modules });
const message = (text: string) => {
  const result = readModuleMap(text);
  return result.ok ? '' : result.message;
};

test('a good map, with short and long ids', () => {
  expect(
    readModuleMap(map(MODULE, { ...MODULE, id: 'gate', request: '18DA10F1', answer: '18DAF110' })),
  ).toMatchObject({
    ok: true,
    map: { modules: [{ id: 'brakes' }, { id: 'gate' }] },
  });
});

test('a broken one says where and why, in a sentence', () => {
  expect(message('{')).toMatch(/not a JSON file/);
  expect(message('[]')).toMatch(/not a module map/);
  expect(message(map())).toMatch(/at modules/);
  expect(message(map(MODULE, { ...MODULE, id: 'two', answer: '6B8' }))).toMatch(
    /modules\[2\]\.request.*“6A0” is there twice/,
  );
  expect(message(map({ ...MODULE, request: '8A0' }))).toMatch(/modules\[1\]\.request: a CAN id/);
  expect(message(map({ ...MODULE, id: 'No Good' }))).toMatch(/modules\[1\]\.id: a short name/);
});

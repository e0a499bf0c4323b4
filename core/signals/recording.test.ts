import fc from 'fast-check';
import type { ReadValue } from '@pincer/core/obd';
import {
  UNKNOWN_ENGINE,
  addSamples,
  channelOf,
  countOf,
  durationOf,
  emptyRecording,
  keyOfChannel,
  recordedId,
  samplesOf,
  windowsOf,
  type Recording,
} from './index.ts';

const value = (pid: string, more: Partial<ReadValue> = {}): ReadValue => ({
  service: '01',
  pid,
  name: `Reading ${pid}`,
  value: 1,
  unit: 'x',
  source: '7E8',
  raw: 1,
  ...more,
});

describe('which channel a value belongs to', () => {
  test.each([
    ['the engine’s, 11-bit', value('0C'), '0C'],
    ['the engine’s, 29-bit', value('0C', { source: '18DAF110' }), '0C'],
    ['the engine’s, an older car', value('0C', { source: '10' }), '0C'],
    ['one without a header', value('0C', { source: 'unknown' }), '0C'],
    ['a part', value('14', { part: 'voltage' }), '14/voltage'],
    ['the gearbox’s', value('0C', { source: '7E9' }), '7E9:0C'],
    [
      'a state that rules know by its number',
      value('03', { part: 'system 1', value: 'closed loop', raw: 2 }),
      '03/system 1',
    ],
  ])('%s', (_, v, id) => expect(channelOf(v)?.id).toBe(id));

  test.each([
    ['a text', value('1C', { value: 'EOBD (Europe)', raw: 6 })],
    ['what is not fitted', value('0F', { value: null })],
    ['a stored value', value('0C', { service: '02' })],
  ])('none for %s', (_, v) => expect(channelOf(v)).toBeNull());

  test('the gearbox’s own speed does not mix with the engine’s, and is not judged as it', () => {
    const recording = emptyRecording('2026-11-03T08:00:00.000Z');
    for (const [source, n] of [
      ['7E8', 740],
      ['7E9', 12],
    ] as const) {
      const channel = channelOf(value('0C', { source }));
      if (channel) addSamples(recording, [{ at: 1, channel, value: n }]);
    }
    expect(recording.channels.map((c) => c.id)).toEqual(['0C', '7E9:0C']);
    expect(samplesOf(recording, 'engineSpeed')?.values).toEqual([740]);
    expect(recordedId(recording, 'engineSpeed')).toBe('0C');
    expect(recordedId(recording, 'coolant')).toBeNull();
    expect([keyOfChannel('0C'), keyOfChannel('7E9:0C')]).toEqual(['engineSpeed', null]);
  });
});

describe('samples', () => {
  const RPM = { id: '0C', name: 'Engine speed', unit: 'rpm' };

  test('times rise: what comes late or twice is left out and counted, nothing else is lost', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 40 }), { maxLength: 60 }), (times) => {
        const recording = emptyRecording('2026-11-03T08:00:00.000Z');
        const { leftOut } = addSamples(
          recording,
          times.map((at, i) => ({ at, channel: RPM, value: i })),
        );
        const kept = recording.samples['0C']?.times ?? [];
        expect(kept).toEqual([...new Set(kept)].sort((a, b) => a - b));
        expect(kept.length + leftOut).toBe(times.length);
        expect(countOf(recording)).toBe(kept.length);
        expect(durationOf(recording)).toBe(Math.max(0, ...times));
      }),
    );
  });
});

describe('states of a recording', () => {
  /** Engine speed over time, five looks a second, warm; speed where it is told. */
  function drive(...stretches: [rpm: number, speed: number, seconds: number][]): Recording {
    const recording = emptyRecording('2026-11-03T08:00:00.000Z');
    let at = 0;
    for (const [rpm, speed, seconds] of stretches) {
      for (let i = 0; i < seconds * 5; i++, at += 0.2) {
        addSamples(recording, [
          { at, channel: { id: '0C', name: 'Engine speed', unit: 'rpm' }, value: rpm },
          { at, channel: { id: '0D', name: 'Vehicle speed', unit: 'km/h' }, value: speed },
          { at, channel: { id: '05', name: 'Coolant temperature', unit: '°C' }, value: 90 },
        ]);
      }
    }
    return recording;
  }
  const states = (recording: Recording) =>
    windowsOf(recording, UNKNOWN_ENGINE).map((w) => [w.state, Math.round(w.seconds)]);

  test('key on, cranked, idled, revved, driven: each its own stretch', () => {
    expect(
      states(drive([0, 0, 5], [210, 0, 1], [740, 0, 10], [2500, 0, 8], [1900, 40, 10], [2300, 85, 20])),
    ).toEqual([
      ['key-on', 5],
      ['cranking', 1],
      ['idle-warm', 10],
      ['raised', 8],
      ['driving', 10],
      ['cruise', 20],
    ]);
  });

  test('a flicker belongs to what is around it; a short crank does not', () => {
    expect(states(drive([740, 0, 8], [1300, 0, 0.6], [740, 0, 8]))).toEqual([['idle-warm', 16]]);
    expect(states(drive([0, 0, 4], [200, 0, 0.6], [740, 0, 6])).map(([s]) => s)).toEqual([
      'key-on',
      'cranking',
      'idle-warm',
    ]);
  });

  test('statistics leave out the moment of change, and hold every reading that was taken', () => {
    const [idle, raised] = windowsOf(drive([740, 0, 10], [2500, 0, 10]), UNKNOWN_ENGINE);
    expect(idle?.stats['engineSpeed']).toMatchObject({ min: 740, max: 740 });
    expect(raised?.stats['engineSpeed']).toMatchObject({ min: 2500, max: 2500 });
    expect(Object.keys(raised?.stats ?? {}).sort()).toEqual(['coolant', 'engineSpeed', 'speed']);
  });
});

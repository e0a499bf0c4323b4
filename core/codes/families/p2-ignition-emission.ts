import { OPEN_3, SENSOR, codeAt, codeTable } from '../entry.ts';

const { entries, one, row } = codeTable();

// P230x-P234x: coils in detail, knock.
for (let cylinder = 1; cylinder <= 12; cylinder++) {
  row(codeAt('P2300', (cylinder - 1) * 3), 'coil', ['circuit-low', 'circuit-high', 'secondary'], { cylinder });
  one(codeAt('P2336', cylinder - 1), 'knock', 'over-limit', { cylinder });
}

// P240x-P249x: leak pump, sampling, vents, heat, secondary air, particulate filter.
row('P2400', 'leak-pump', OPEN_3);
row('P2403', 'leak-pump', ['open', 'range', 'low', 'high', 'intermittent'], { label: 'sense' });
row('P2408', 'fuel-cap-sensor', SENSOR);
one('P2413', 'egr-flow', 'performance', { label: 'system' });
one('P2414', 'oxygen-sensor', 'sample', { bank: 1, sensor: 1 });
one('P2415', 'oxygen-sensor', 'sample', { bank: 2, sensor: 1 });
one('P2416', 'oxygen-sensor-pair', 'swapped', { bank: 1, label: '2 and 3' });
one('P2417', 'oxygen-sensor-pair', 'swapped', { bank: 2, label: '2 and 3' });
row('P2418', 'evap-switching-valve', OPEN_3);
row('P2421', 'vent-valve', ['stuck-open', 'stuck-shut']);
([1, 2] as const).forEach((bank, i) => one(codeAt('P2423', i), 'hydrocarbon-trap', 'efficiency', { bank }));
row('P2425', 'egr-cooler-valve', OPEN_3);
([1, 2] as const).forEach((bank, i) => one(codeAt('P2428', i), 'exhaust-temperature', 'value-high', { bank }));
([1, 2] as const).forEach((bank, i) => {
  row(codeAt('P2430', i * 5), 'secondary-air-sensor', SENSOR, { bank });
  row(codeAt('P2440', i * 2), 'secondary-air-valve', ['stuck-open', 'stuck-shut'], { bank });
  row(codeAt('P2444', i * 2), 'secondary-air-pump', ['stuck-on', 'stuck-off'], { bank });
  one(codeAt('P2448', i), 'secondary-air', 'flow-high', { bank });
});
row('P2450', 'evap-switching-valve', ['stuck-open', 'stuck-shut']);
row('P2452', 'particulate-sensor', SENSOR, { label: 'A' });
one('P2457', 'egr-cooler', 'performance');
one('P2458', 'particulate-cleaning', 'value-high', { label: 'how long it takes' });
one('P2459', 'particulate-cleaning', 'value-high', { label: 'how often' });
one('P2463', 'particulate-filter', 'full', { label: 'soot' });
row('P2470', 'exhaust-temperature-sensor', SENSOR, { bank: 1, sensor: 4 });
row('P2475', 'exhaust-temperature-sensor', SENSOR, { bank: 2, sensor: 4 });

// Later additions with a letter.
one('P240F', 'egr-valve', 'slow');
row('P242A', 'exhaust-temperature-sensor', SENSOR, { bank: 1, sensor: 3 });
one('P242F', 'particulate-filter', 'full', { label: 'ash' });
row('P244A', 'particulate-sensor', ['value-low', 'value-high'], { bank: 1, label: 'difference' });
one('P244C', 'exhaust-temperature', 'value-low', { bank: 1, label: 'for filter cleaning' });
one('P244D', 'exhaust-temperature', 'value-high', { bank: 1, label: 'during filter cleaning' });
row('P245A', 'egr-cooler-valve', ['open', 'range', 'circuit-low', 'circuit-high'], { label: 'bypass' });
one('P24AE', 'soot-sensor', 'circuit');
row('P24AF', 'soot-sensor', ['range', 'low', 'high', 'intermittent']);

/** P23 and P24: coils and knock in detail, emission control. */
export const P2_IGNITION_EMISSION = entries;

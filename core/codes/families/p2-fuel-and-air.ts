import { OPEN_3, OPEN_4, SENSOR, codeAt, codeTable } from '../entry.ts';

const { entries, one, row } = codeTable();

// P200x-P203x: NOx trap, particulate filter, intake runners, heater, exhaust heat.
for (const bank of [1, 2] as const) {
  one(codeAt('P2000', bank - 1), 'nox-trap', 'efficiency', { bank });
  one(codeAt('P2002', bank - 1), 'particulate-filter', 'efficiency', { bank });
  one(codeAt('P2004', bank - 1), 'intake-runner', 'stuck-open', { bank });
  one(codeAt('P2006', bank - 1), 'intake-runner', 'stuck-shut', { bank });
  row(codeAt('P2008', (bank - 1) * 3), 'intake-runner', OPEN_3, { bank });
  row(codeAt('P2014', (bank - 1) * 5), 'intake-runner-sensor', SENSOR, { bank });
}
row('P2024', 'vapour-temperature-sensor', ['circuit', 'range', 'low', 'high', 'intermittent']);
one('P2029', 'fuel-heater', 'stuck-off');
one('P2030', 'fuel-heater', 'performance');
row('P2031', 'exhaust-temperature-sensor', ['circuit', 'low', 'high'], { bank: 1, sensor: 2 });
row('P2034', 'exhaust-temperature-sensor', ['circuit', 'low', 'high'], { bank: 2, sensor: 2 });
row('P2037', 'reductant-air-sensor', SENSOR);
row('P2042', 'reductant-temperature-sensor', SENSOR);
([[1, 1], [2, 1], [1, 2], [2, 2]] as const).forEach(([bank, unit], i) =>
  row(codeAt('P2047', i * 3), 'reductant-injector', OPEN_3, { bank, label: `unit ${unit}` }),
);
row('P2059', 'reductant-air-pump', OPEN_3);
row('P2062', 'reductant-supply', OPEN_3);
row('P2065', 'fuel-level-sensor', SENSOR, { label: 'B' });
row('P2070', 'intake-tuning-valve', ['stuck-open', 'stuck-shut']);
one('P2072', 'throttle-actuator', 'iced');
one('P2073', 'throttle-correlation', 'correlation', { label: 'at idle' });
one('P2074', 'throttle-correlation', 'correlation', { label: 'under load' });
row('P2075', 'intake-tuning-sensor', SENSOR);
([[1, 1], [2, 1], [1, 2], [2, 2]] as const).forEach(([bank, sensor], i) =>
  row(codeAt('P2080', i * 2), 'exhaust-temperature-sensor', ['range', 'intermittent'], { bank, sensor }),
);
(['intake', 'exhaust'] as const).forEach((label, i) => {
  row(codeAt('P2088', i * 2), 'cam-actuator', ['circuit-low', 'circuit-high'], { bank: 1, label });
  row(codeAt('P2092', i * 2), 'cam-actuator', ['circuit-low', 'circuit-high'], { bank: 2, label });
});
([1, 2] as const).forEach((bank, i) => row(codeAt('P2096', i * 2), 'fuel-trim', ['lean', 'rich'], { bank, label: 'behind the catalyst' }));

// P210x-P213x: electronic throttle and pedal.
row('P2100', 'throttle-actuator', OPEN_4, { label: 'motor' });
one('P2104', 'throttle-limit', 'active', { label: 'idle only' });
one('P2105', 'throttle-limit', 'active', { label: 'engine switched off' });
one('P2106', 'throttle-limit', 'active', { label: 'less power' });
one('P2107', 'throttle-unit', 'processor');
one('P2108', 'throttle-unit', 'performance');
one('P2109', 'throttle-sensor', 'stop-low', { label: 'A' });
one('P2110', 'throttle-limit', 'active', { label: 'less speed' });
row('P2111', 'throttle-actuator', ['stuck-open', 'stuck-shut']);
Array.from('BCDEF').forEach((label, i) => one(codeAt('P2113', i), 'throttle-sensor', 'stop-low', { label }));
one('P2118', 'throttle-actuator', 'range', { label: 'motor current' });
one('P2119', 'throttle-actuator', 'performance', { label: 'plate' });
Array.from('DEF').forEach((label, i) => row(codeAt('P2120', i * 5), 'throttle-sensor', SENSOR, { label }));
['A and B', 'A and C', 'B and C', 'D and E', 'D and F', 'E and F'].forEach((label, i) => one(codeAt('P2135', i), 'throttle-sensor', 'correlation', { label }));
row('P2141', 'egr-valve', ['circuit-low', 'circuit-high'], { label: 'throttle' });
row('P2143', 'egr-valve', OPEN_3, { label: 'vent' });
Array.from('ABCD').forEach((label, i) => row(codeAt('P2146', i * 3), 'injector-supply', OPEN_3, { label: `group ${label}` }));
row('P2158', 'speed-sensor', ['circuit', 'range', 'low', 'intermittent'], { label: 'B' });
one('P2162', 'speed-sensor', 'correlation', { label: 'A and B' });
Array.from('ABCDEF').forEach((label, i) => one(codeAt('P2163', i), 'throttle-sensor', 'stop-high', { label }));
row('P2169', 'exhaust-pressure-valve', OPEN_3, { label: 'vent' });
one('P2172', 'throttle-air', 'value-high', { label: 'suddenly' });
one('P2173', 'throttle-air', 'value-high', { label: 'steadily' });
one('P2174', 'throttle-air', 'value-low', { label: 'suddenly' });
one('P2175', 'throttle-air', 'value-low', { label: 'steadily' });
one('P2176', 'throttle-actuator', 'not-learned', { label: 'idle position' });
[['off idle', 'P2177'], ['at idle', 'P2187'], ['under load', 'P2191']].forEach(([label = '', base = '']) =>
  ([1, 2] as const).forEach((bank, i) => row(codeAt(base, i * 2), 'fuel-trim', ['lean', 'rich'], { bank, label })),
);
one('P2181', 'cooling-system', 'performance');
row('P2182', 'coolant-temperature-sensor', SENSOR, { sensor: 2 });
([1, 2] as const).forEach((bank, i) => row(codeAt('P2195', i * 2), 'oxygen-sensor', ['stuck-lean', 'stuck-rich'], { bank, sensor: 1 }));
one('P2199', 'intake-temperature-sensor', 'correlation', { label: '1 and 2' });

// P220x-P229x: NOx sensors, air pressure, wide-band sensors, boost, water in fuel, pressure.
([1, 2] as const).forEach((bank, i) => {
  row(codeAt('P2200', i * 13), 'nox-sensor', SENSOR, { bank, sensor: 1 });
  row(codeAt('P2205', i * 13), 'nox-heater', OPEN_3, { bank, sensor: 1 });
  row(codeAt('P2208', i * 13), 'nox-heater', SENSOR, { bank, sensor: 1, label: 'sense' });
});
row('P2226', 'air-pressure-sensor', SENSOR, { label: 'A' });
([[1, 1], [1, 2], [1, 3], [2, 1], [2, 2], [2, 3]] as const).forEach(([bank, sensor], i) =>
  one(codeAt('P2231', i), 'oxygen-sensor', 'shorted-heater', { bank, sensor }),
);
([1, 2] as const).forEach((bank, i) => {
  row(codeAt('P2237', i * 3), 'wide-band-sensor', OPEN_3, { bank, sensor: 1, label: 'pump current' });
  row(codeAt('P2243', i * 4), 'wide-band-sensor', OPEN_4, { bank, sensor: 1, label: 'reference' });
  row(codeAt('P2251', i * 3), 'wide-band-sensor', OPEN_3, { bank, sensor: 1, label: 'minus current' });
});
row('P2257', 'secondary-air-valve', ['circuit-low', 'circuit-high'], { label: 'A' });
row('P2259', 'secondary-air-valve', ['circuit-low', 'circuit-high'], { label: 'B' });
one('P2261', 'boost-bypass', 'performance', { label: 'mechanical' });
one('P2262', 'boost', 'no-activity', { label: 'none built up' });
one('P2263', 'boost', 'performance', { label: 'system' });
row('P2264', 'fuel-water-sensor', SENSOR);
one('P2269', 'fuel-water', 'active');
([[1, 2], [2, 2], [1, 3], [2, 3]] as const).forEach(([bank, sensor], i) =>
  row(codeAt('P2270', i * 2), 'oxygen-sensor', ['stuck-lean', 'stuck-rich'], { bank, sensor }),
);
one('P2278', 'oxygen-sensor-pair', 'swapped', { sensor: 3, label: 'banks' });
one('P2279', 'intake-leak', 'leak-large');
one('P2280', 'intake-leak', 'leak-large', { label: 'filter to air flow sensor' });
one('P2281', 'intake-leak', 'leak-large', { label: 'air flow sensor to throttle' });
one('P2282', 'intake-leak', 'leak-large', { label: 'throttle to valves' });
row('P2283', 'injection-pressure-sensor', SENSOR);
one('P2288', 'injection-pressure', 'value-high');
one('P2289', 'injection-pressure', 'value-high', { label: 'engine off' });
one('P2290', 'injection-pressure', 'value-low');
one('P2291', 'injection-pressure', 'value-low', { label: 'while cranking' });
one('P2292', 'injection-pressure', 'unstable');
row('P2293', 'fuel-regulator', ['performance', 'open', 'circuit-low', 'circuit-high'], { label: '2' });
one('P2297', 'oxygen-sensor', 'out-of-range', { bank: 1, sensor: 1, label: 'overrun' });
one('P2298', 'oxygen-sensor', 'out-of-range', { bank: 2, sensor: 1, label: 'overrun' });
one('P2299', 'pedals', 'correlation');

// Later additions with a letter: reductant, wide-band, NOx.
row('P203A', 'reductant-level-sensor', SENSOR);
one('P203F', 'reductant', 'value-low', { label: 'level' });
row('P204A', 'reductant-pressure-sensor', SENSOR);
one('P204F', 'reductant-system', 'performance', { bank: 1 });
row('P205A', 'reductant-tank-sensor', SENSOR);
one('P207F', 'reductant', 'out-of-range', { label: 'quality' });
row('P208A', 'reductant-pump', OPEN_3);
row('P20A0', 'reductant-purge-valve', OPEN_4);
row('P20B9', 'reductant-heater', OPEN_4, { label: 'A' });
row('P20BD', 'reductant-heater', OPEN_4, { label: 'B' });
row('P20C1', 'reductant-heater', OPEN_4, { label: 'C' });
row('P20E8', 'reductant-pressure', ['value-low', 'value-high']);
([1, 2] as const).forEach((bank, i) => one(codeAt('P20EE', i), 'nox-catalyst', 'efficiency', { bank }));
row('P229E', 'nox-sensor', ['circuit', 'range', 'low', 'high'], { bank: 1, sensor: 2 });

/** P20, P21, P22: intake, throttle, mixture, NOx and boost. */
export const P2_FUEL_AND_AIR = entries;

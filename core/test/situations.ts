import type { Vehicle } from '@pincer/core/vehicle';
import type { CaseRecord } from '@pincer/core/case';
import { CAR, makeCase, makeScan, scanEntry, saw } from './make-case.ts';

const VAN: Vehicle = {
  ...CAR,
  id: 'veh_van',
  name: 'Ostler Dray 2.2 D',
  kind: 'van',
  fuel: 'diesel',
  year: 2016,
  displacementLitres: 2.2,
  aspiration: 'turbo',
  gearbox: 'manual',
  distanceKm: 241_900,
};
const BIKE: Vehicle = {
  ...CAR,
  id: 'veh_bike',
  name: 'Kestrine 650',
  kind: 'motorcycle',
  year: 2019,
  displacementLitres: 0.65,
  cylinders: 2,
  distanceKm: 38_200,
};
const AUTOMATIC: Vehicle = { ...CAR, gearbox: 'automatic' };
const HYBRID: Vehicle = { ...CAR, fuel: 'hybrid', gearbox: 'automatic' };

export type Situation = readonly [
  what: string,
  codes: string,
  seen: string,
  expected: string,
  within?: number,
  vehicle?: Vehicle,
];

/**
 * What a workshop would think of first: codes, what was seen or happened (signs, events, gauges), and the causes of
 * which one has to be among the first so many; three where nothing else is said.
 */
export const SITUATIONS: readonly Situation[] = [
  // Ignition and misfire
  [
    'one cylinder, in the wet, cold',
    'P0302',
    'sign:shakes sign:wet sign:cold',
    'coil-boot:2 plug-well-water:2',
  ],
  ['one cylinder, coil circuit open', 'P0303 P0353', 'sign:shakes', 'coil:3 coil-connector:3', 2],
  ['one cylinder, plugs old', 'P0301', 'sign:shakes before:plugs-old', 'plug:1 plugs-overdue', 2],
  ['several cylinders, plugs old', 'P0300', 'sign:rough-idle before:plugs-old', 'plugs-overdue'],
  ['injector circuit of one cylinder', 'P0204 P0304', 'sign:shakes', 'injector-circuit:4', 1],
  [
    'one cylinder after an engine wash',
    'P0302',
    'before:washed sign:shakes',
    'plug-well-water:2 coil-connector:2 coil-boot:2',
  ],
  ['crank sensor, dies warm', 'P0335', 'sign:stalls sign:warm', 'crank-sensor crank-wire', 2],
  ['cam sensor', 'P0340', 'sign:hard-start', 'cam-sensor cam-wire', 2],
  ['knock sensor circuit', 'P0327', '', 'knock-sensor', 1],
  // Timing
  [
    'out of step after work on the belt',
    'P0016',
    'before:worked-on sign:rough-idle',
    'cam-timing-off timing-stretched',
  ],
  ['cam adjuster slow, oil old', 'P0011', '', 'cam-adjuster-valve cam-adjuster oil-thick-timing'],
  // Air
  ['air flow sensor dead, plug was off', 'P0102', 'before:unplugged', 'maf-unplugged', 1],
  ['air flow sensor circuit', 'P0102', '', 'maf-unplugged maf-wiring maf-failed'],
  [
    'lean at idle, hisses',
    'P0171',
    'sign:hiss sign:rough-idle sign:high-idle',
    'vacuum-hose-off intake-hose-split intake-gasket',
  ],
  ['lean, weak uphill', 'P0171', 'sign:weak sign:uphill', 'fuel-filter fuel-pump-weak maf-dirty'],
  ['intake temperature circuit, filter was changed', 'P0113', 'before:worked-on', 'iat-unplugged', 1],
  ['manifold pressure circuit', 'P0107', 'sign:weak', 'map-failed reference-short reference-wire'],
  ['manifold pressure implausible', 'P0106', '', 'map-failed vacuum-hose-off'],
  [
    'throttle body dirty',
    'P0507',
    'sign:high-idle',
    'vacuum-hose-off throttle-dirty idle-valve throttle-not-learned intake-hose-split',
  ],
  [
    'throttle not learned after battery',
    'P2119',
    'before:battery',
    'throttle-not-learned throttle-actuator throttle-dirty',
  ],
  ['pedal sensor', 'P2138', 'sign:limp', 'pedal-sensor', 1],
  ['throttle actuator', 'P2101', 'sign:limp', 'throttle-actuator throttle-wire throttle-dirty'],
  // Boost
  ['hiss under load, boost low', 'P0299', 'sign:hiss sign:weak sign:uphill', 'charge-hose', 1, VAN],
  [
    'boost low, black smoke, whistles',
    'P0299',
    'sign:weak sign:black-smoke',
    'charge-hose turbo-worn turbo-vanes vacuum-boost',
    3,
    VAN,
  ],
  ['boost too high', 'P0234', 'sign:limp', 'turbo-vanes boost-valve vacuum-boost', 3, VAN],
  ['boost sensor circuit', 'P0237', '', 'boost-sensor', 2, VAN],
  // Fuel
  [
    'rich, smells',
    'P0172',
    'sign:fuel-smell sign:black-smoke sign:thirsty',
    'injector-leaking regulator-leaking purge-stuck',
  ],
  [
    'fuel pressure low, hard start',
    'P0087',
    'sign:weak sign:uphill',
    'fuel-filter high-pressure-pump fuel-pump-weak rail-regulator lift-pump metering-valve',
    3,
    VAN,
  ],
  [
    'fuel pump circuit, no start',
    'P0230',
    'sign:no-start',
    'pump-relay pump-wiring inertia-switch fuel-pump-weak',
  ],
  ['rough and pinging after refuelling', 'P0300', 'before:refuelled sign:pings', 'bad-fuel', 2],
  ['water in diesel', 'P2269', '', 'fuel-water water-sensor', 2, VAN],
  ['fuel level sender', 'P0463', '', 'fuel-sender', 1],
  // Vapour
  ['cap left loose', 'P0455', 'before:refuelled', 'fuel-cap', 1],
  ['small leak', 'P0442', '', 'fuel-cap evap-hose tank-lid-ring purge-stuck vent-valve-stuck'],
  ['purge flow', 'P0441', '', 'purge-stuck purge-hose-off'],
  ['vent valve circuit', 'P0447', '', 'vent-valve-stuck purge-wire', 2],
  [
    'purge hangs: hard start after refuelling',
    'P0441 P0171',
    'before:refuelled sign:hard-start',
    'purge-stuck',
    1,
  ],
  // Exhaust
  ['catalyst below limit', 'P0420', '', 'catalyst-worn exhaust-leak', 2],
  ['catalyst, ticks cold', 'P0420', 'sign:ticking-exhaust', 'exhaust-leak', 1],
  ['front sensor slow', 'P0133', 'sign:thirsty', 'oxygen-front exhaust-leak', 2],
  ['heater of the rear sensor', 'P0141', '', 'oxygen-heater oxygen-heater-fuse oxygen-wire'],
  ['heaters of both sensors', 'P0135 P0141', '', 'oxygen-heater-fuse', 2],
  ['rear sensor circuit', 'P0137', '', 'oxygen-rear oxygen-wire', 2],
  ['recirculation flow too low', 'P0401', '', 'egr-passage egr-stuck', 2],
  ['recirculation stuck open, rough', 'P0402', 'sign:rough-idle sign:stalls', 'egr-stuck', 1],
  ['secondary air', 'P0411', '', 'sai-pump sai-valve sai-relay', 2],
  // Cooling
  ['never warm', 'P0128', 'gauge:cold', 'thermostat-open', 1],
  ['coolant sensor open', 'P0118', 'sign:thirsty', 'coolant-sensor', 1],
  ['runs hot, level low', 'P0217', 'gauge:hot gauge:coolant-low', 'coolant-low head-gasket water-pump'],
  ['runs hot in traffic, fan', 'P0480', 'gauge:hot', 'cooling-fan', 1],
  [
    'white smoke, coolant goes',
    'P0301',
    'sign:white-smoke gauge:coolant-low sign:sweet-smell',
    'head-gasket',
    1,
  ],
  // Oil
  ['oil pressure switch', 'P0520', '', 'oil-pressure-switch', 2],
  ['oil pressure low, level low', 'P0524', 'gauge:oil-low', 'oil-low', 1],
  // Electrical
  ['voltage low, lights dim', 'P0562', 'gauge:lights-dim', 'alternator drive-belt battery-weak'],
  ['voltage low after standing', 'P0562', 'before:long-stand', 'battery-weak battery-drain'],
  ['belt squeals, lamp', 'P0562', 'sign:squeals gauge:lights-dim', 'drive-belt alternator', 2],
  ['voltage high', 'P0563', '', 'overcharging', 1],
  ['5 volts pulled down', 'P0641 P0107', '', 'reference-short reference-wire', 2],
  [
    'several units silent',
    'U0100 U0121',
    'sign:no-start',
    'bus-wire unit-supply battery-weak gateway-asleep bus-terminator',
  ],
  ['speed sensor', 'P0500', '', 'speed-sensor wheel-speed-sensor', 2],
  [
    'control unit memory',
    'P0603',
    'before:battery',
    'battery-terminal battery-weak unit-inside software-mismatch main-relay window-learn battery-not-taught',
    3,
  ],
  ['immobiliser', 'P0513', 'sign:no-start', 'immobiliser-key immobiliser-ring immobiliser-lost', 2],
  ['starter relay', 'P0615', 'sign:no-start', 'starter-relay', 2],
  // Chassis, safety
  ['wheel speed sensor', 'C0031', '', 'wheel-speed-sensor wheel-ring-rust', 2],
  ['wheel speed after a kerb', 'C0035', 'before:kerb', 'wheel-speed-sensor', 1],
  ['brake switch', 'P0571', '', 'brake-switch', 1],
  [
    'steering angle after work',
    'C0051',
    'before:worked-on',
    'steering-angle steering-angle-sensor tracking',
    2,
  ],
  [
    'airbag, under the seat',
    'B0020',
    '',
    'airbag-plug airbag-battery clock-spring crash-stored belt-buckle',
    2,
  ],
  ['brake fluid', 'C0049', '', 'brake-fluid-low stability-pump brake-leak stability-fuse'],
  // Transmission
  ['gear ratio, slips', 'P0730', 'sign:slips', 'gear-clutch-worn gearbox-fluid valve-body', 2, AUTOMATIC],
  ['shift valve', 'P0753', 'sign:limp', 'gear-solenoid gear-valve-wire', 2, AUTOMATIC],
  [
    'converter clutch, shakes warm',
    'P0741',
    'sign:shakes sign:warm',
    'converter-clutch converter-solenoid',
    2,
    AUTOMATIC,
  ],
  ['selector sensor', 'P0705', 'sign:no-start', 'range-sensor shift-cable', 2, AUTOMATIC],
  ['gearbox too hot, towing', 'P0218', 'before:towing', 'gear-overheat', 2, AUTOMATIC],
  // Diesel
  [
    'glow plugs, white smoke cold',
    'P0380',
    'sign:cold sign:white-smoke sign:hard-start',
    'glow-plug',
    1,
    VAN,
  ],
  ['filter full of soot', 'P2463', 'sign:weak sign:limp', 'particulate-full dpf-short-trips dpf-ash', 2, VAN],
  ['filter worn or cracked', 'P2002', '', 'dpf-cracked dpf-hose dpf-sensor particulate-full', 3, VAN],
  ['filter pressure sensor', 'P2453', '', 'dpf-sensor dpf-hose', 3, VAN],
  ['reagent quality', 'P207F', 'before:refuelled', 'reductant-old', 2, VAN],
  [
    'reagent pressure',
    'P204F',
    '',
    'reductant-pump reductant-injector reductant-old reductant-heater',
    3,
    VAN,
  ],
  ['NOx sensor', 'P2200', '', 'nox-sensor', 1, VAN],
  ['recirculation cooler', 'P2457', '', 'egr-cooler-leak egr-passage', 2, VAN],
  // Hybrid
  ['isolation', 'P0AA6', '', 'isolation-fault', 1, HYBRID],
  ['traction battery worn', 'P0A80', '', 'traction-cells', 2, HYBRID],
  ['inverter too hot', 'P0A93', '', 'inverter-coolant', 1, HYBRID],
  // Motorcycle
  [
    'voltage, gets worse warm',
    'P0562',
    'sign:warm gauge:lights-dim',
    'motorcycle-regulator motorcycle-stator regulator-plug',
    2,
    BIKE,
  ],
];

const words = (text: string) => text.split(' ').filter((w) => w !== '');

/** The vehicle of a situation: a petrol car where nothing else is said. */
export const vehicleOf = ([, , , , , vehicle = CAR]: Situation): Vehicle => vehicle;

/** A situation as a case: the engine lamp steady, what was seen, and a full reading. */
export const caseOf = ([, codes, seen]: Situation): CaseRecord =>
  makeCase(
    { kind: 'lamp', lamp: 'engine', mode: 'steady' },
    ...words(seen).map((s) => saw(s)),
    scanEntry(makeScan(words(codes))),
  );

/** Ids of the causes of which one has to be among the first. */
export const expectedIn = ([, , , expected]: Situation): string[] => words(expected);

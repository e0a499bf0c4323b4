import { codeEntry } from '@pincer/core/codes';
import { keyOfEntry } from './code-keys.ts';

/**
 * What can be observed, with its leak: the chance to see it although none of the modelled causes is there.
 * `car` is what the car says, `owner` what the owner finds.
 */
interface ObservationKind {
  side: 'car' | 'owner';
  title: string;
  leak: number;
  /**
   * A stored condition is not an effect of its own but the circumstance of one: each cause has its chance of being
   * found under it, and those that do not care have the leak as base rate.
   */
  isCircumstance?: boolean;
  /** Self-check that has to have run since the last clear before the absence of a code says anything. */
  monitor?: 'misfire' | 'fuel' | 'components' | 'catalyst' | 'evaporative' | 'oxygen-sensor' | 'oxygen-heater' | 'egr';
  /** The question to the owner. */
  ask?: string;
  group?: 'runs' | 'when' | 'senses' | 'gauges' | 'before';
}

const car = (title: string, leak: number, monitor?: ObservationKind['monitor']): ObservationKind => ({
  side: 'car', title, leak, ...(monitor ? { monitor } : {}),
});
const owner = (group: NonNullable<ObservationKind['group']>, title: string, ask: string, leak: number): ObservationKind => ({
  side: 'owner', title, leak, ask, group,
});

export const OBSERVATIONS = {
  // Codes, by component and way of failing.
  'code:misfire-same': car('Misfire of this cylinder', 0.003, 'misfire'),
  'code:misfire-other': car('Misfire of another cylinder', 0.003, 'misfire'),
  'code:misfire-several': car('Misfire of several cylinders', 0.0045, 'misfire'),
  'code:coil-same': car('Coil circuit of this cylinder', 0.0006, 'components'),
  'code:injector-same': car('Injector circuit of this cylinder', 0.0006, 'components'),
  'code:lean': car('Mixture too lean', 0.003, 'fuel'),
  'code:rich': car('Mixture too rich', 0.0024, 'fuel'),
  'code:air-flow-circuit': car('Air flow sensor circuit', 0.0006, 'components'),
  'code:air-flow-range': car('Air flow implausible', 0.0015, 'components'),
  'code:manifold-pressure': car('Manifold pressure sensor', 0.0009, 'components'),
  'code:intake-temperature': car('Intake air temperature sensor', 0.0006, 'components'),
  'code:coolant-temperature': car('Coolant temperature sensor', 0.0006, 'components'),
  'code:runs-cold': car('Engine does not get warm', 0.0012, 'components'),
  'code:throttle': car('Throttle', 0.0012, 'components'),
  'code:pedal': car('Pedal sensor', 0.0006, 'components'),
  'code:idle': car('Idle speed wrong', 0.0018, 'components'),
  'code:fuel-pressure': car('Fuel pressure', 0.0009, 'components'),
  'code:oxygen-front': car('Front oxygen sensor', 0.0015, 'oxygen-sensor'),
  'code:oxygen-rear': car('Rear oxygen sensor', 0.0015, 'oxygen-sensor'),
  'code:oxygen-heater': car('Oxygen sensor heater', 0.0012, 'oxygen-heater'),
  'code:catalyst': car('Catalyst efficiency', 0.0024, 'catalyst'),
  'code:evap-leak': car('Fuel vapour leak', 0.0018, 'evaporative'),
  'code:purge': car('Vapour purge valve', 0.0009, 'evaporative'),
  'code:egr': car('Exhaust recirculation', 0.0012, 'egr'),
  'code:crank-sensor': car('Crankshaft sensor', 0.0009, 'components'),
  'code:cam-sensor': car('Camshaft sensor', 0.0009, 'components'),
  'code:cam-timing': car('Camshaft timing', 0.0009, 'components'),
  'code:knock-sensor': car('Knock sensor', 0.0009, 'components'),
  'code:supply-voltage': car('Supply voltage', 0.0012, 'components'),
  'code:supply-high': car('Supply voltage too high', 0.0004, 'components'),
  'code:boost-low': car('Boost pressure too low', 0.0008),
  'code:boost-high': car('Boost pressure too high', 0.0006),
  'code:boost-circuit': car('Boost sensor or valve', 0.0006),
  'code:runner': car('Intake flaps', 0.0006),
  'code:secondary-air': car('Secondary air', 0.0008),
  'code:nox': car('NOx treatment', 0.0008),
  'code:reductant': car('Reductant', 0.0008),
  'code:exhaust-heat': car('Exhaust heat sensor', 0.0006),
  'code:reference': car('Shared 5 volts', 0.0005),
  'code:computer': car('Control unit itself', 0.0006),
  'code:part-electrical': car('Circuit of the named part', 0.002),
  'code:part-behaviour': car('The named part does not do its work', 0.002),
  'code:unit-silent': car('A control unit is not heard', 0.001),
  'code:unit-nonsense': car('A control unit sends nonsense', 0.001),
  'code:nonsense-engine': car('The engine’s unit sends nonsense', 0.001),
  'code:nonsense-gearbox': car('The gearbox’s unit sends nonsense', 0.0006),
  'code:nonsense-brakes': car('The brakes’ unit sends nonsense', 0.001),
  'code:wheel-speed': car('Wheel speed', 0.0006),
  'code:steering-angle': car('Steering angle', 0.0005),
  'code:restraints': car('Airbag or belt circuit', 0.0006),
  'code:high-voltage': car('High-voltage protection', 0.0005),
  'code:gearbox': car('Gearbox', 0.0008),
  'code:gearbox-asks': car('The gearbox asks for the lamp', 0.0008),
  'code:particulate': car('Particulate filter', 0.0006),
  'code:filter-sensor': car('Pressure sensor of the particulate filter', 0.0005),
  'code:glow': car('Glow plugs', 0.0006),
  'code:oil-pressure': car('Oil pressure', 0.0005),
  'code:coolant': car('Coolant level or fan', 0.0006),
  'code:rail-sensor': car('Fuel pressure sensor', 0.0005),
  'code:injection-pump': car('Injection pressure or pump', 0.0005),
  'code:fuel-shutoff': car('Fuel shut-off', 0.0004),
  'code:fuel-heat': car('Fuel temperature', 0.0004),
  'code:fuel-water': car('Water in the fuel', 0.0005),
  'code:fuel-level': car('Fuel level sender', 0.0005),
  'code:fuel-kind': car('Fuel composition sensor', 0.0004),
  'code:injector-supply': car('Supply of the injectors', 0.0004),
  'code:tank-pressure': car('Tank pressure or vapour sensor', 0.0006),
  'code:vent-valve': car('Vapour vent valve', 0.0006),
  'code:leak-pump': car('Leak test pump', 0.0005),
  'code:cap-open': car('Fuel cap switch', 0.0004),
  'code:knocking': car('Engine knocks', 0.0005),
  'code:spark-signal': car('Spark timing signal', 0.0005),
  'code:cylinder-cut': car('Cylinder switch-off', 0.0004),
  'code:crankcase': car('Crankcase pressure', 0.0004),
  'code:air-pressure': car('Air pressure or vacuum sensor', 0.0005),
  'code:charge-heat': car('Charge air temperature', 0.0005),
  'code:outside-heat': car('Outside temperature sensor', 0.0005),
  'code:intake-heater': car('Intake heater or air flap', 0.0004),
  'code:turbo-speed': car('Turbocharger speed', 0.0004),
  'code:exhaust-flap': car('Exhaust pressure or flap', 0.0005),
  'code:sensors-swapped': car('Oxygen sensors swapped', 0.0002),
  'code:coolant-pump': car('Coolant pump or valve', 0.0005),
  'code:overheat': car('Engine too hot', 0.0005),
  'code:oil-heat': car('Oil temperature sensor', 0.0004),
  'code:oil-valve': car('Oil pump valve', 0.0004),
  'code:speed': car('Vehicle speed', 0.0006),
  'code:cruise': car('Cruise control', 0.0006),
  'code:brake-switch': car('Brake pedal switch', 0.0006),
  'code:clutch-switch': car('Clutch pedal switch', 0.0005),
  'code:starting': car('Starter circuit', 0.0005),
  'code:main-relay': car('Ignition switch or main relay', 0.0006),
  'code:charging-line': car('Charging lamp or line', 0.0004),
  'code:immobiliser': car('Immobiliser', 0.0005),
  'code:climate': car('Air conditioning', 0.0006),
  'code:steering-pump': car('Steering pump or its sensor', 0.0005),
  'code:booster': car('Brake booster vacuum', 0.0004),
  'code:torque-signal': car('Torque signal between units', 0.0005),
  'code:lamp-circuit': car('Lamp or signal output', 0.0005),
  'code:brake-hydraulics': car('Brake hydraulics', 0.0005),
  'code:stability-sensor': car('Turning or slope sensor', 0.0005),
  'code:tyre-pressure': car('Tyre pressure', 0.0006),
  'code:gear-ratio': car('Gear ratio wrong, a clutch slips', 0.0006),
  'code:converter': car('Torque converter clutch', 0.0006),
  'code:gear-valve': car('Gearbox valve', 0.0006),
  'code:gear-speed': car('Gearbox speed sensor', 0.0005),
  'code:gear-range': car('Gear selector', 0.0006),
  'code:gear-fluid': car('Gearbox fluid temperature or pressure', 0.0005),
  'code:clutch-actuator': car('Clutch or shift actuator', 0.0005),
  'code:four-wheel': car('Four-wheel system', 0.0005),
  'code:traction-battery': car('Traction battery', 0.0005),
  'code:hybrid-motor': car('Electric motor or its electronics', 0.0005),
  'code:hybrid-cooling': car('Cooling of the electric system', 0.0004),
  'code:dc-converter': car('Converter to twelve volts', 0.0004),
  // Stored conditions of the code that stored the frame.
  'frame:cold': { ...car('Stored: engine cold', 0.3), isCircumstance: true },
  'frame:load': { ...car('Stored: high load', 0.3), isCircumstance: true },
  'frame:idle': { ...car('Stored: idling', 0.25), isCircumstance: true },
  // Readings that do not make sense, from the plausibility rules.
  'reading:air-flow-dead': car('No air flow though the engine runs', 0.002),
  'reading:air-flow-low': car('Air flow below what the engine must breathe', 0.03),
  'reading:intake-temperature-rail': car('Intake temperature at its electrical limit', 0.002),
  'reading:coolant-temperature-rail': car('Coolant temperature at its electrical limit', 0.002),
  'reading:lean-idle': car('Mixture corrected upwards at idle', 0.04),
  'reading:lean-load': car('Mixture corrected upwards under load', 0.04),
  'reading:rich': car('Mixture corrected downwards', 0.03),
  'reading:manifold-pressure-high': car('Manifold pressure high at idle', 0.05),
  'reading:charging-low': car('Charging voltage low', 0.02),
  'reading:battery-low': car('Battery low at rest', 0.05),
  'reading:runs-cold': car('Coolant stays cool', 0.02),
  'reading:misfire-same': car('Misfires of this cylinder counted', 0.01),
  'reading:oil-rail': car('Oil temperature at its electrical limit', 0.002),
  'reading:outside-rail': car('Outside temperature at its electrical limit', 0.002),
  'reading:coolant-soak': car('Coolant and intake disagree after a night', 0.02),
  'reading:oil-soak': car('Oil and coolant disagree after a night', 0.02),
  'reading:intake-soak': car('Intake and outside disagree after a night', 0.03),
  'reading:hot': car('Coolant too hot', 0.01),
  'reading:air-flow-high': car('Air flow above what the engine can breathe', 0.02),
  'reading:pressure-off': car('Pressure does not equal the air with the engine off', 0.01),
  'reading:pressure-stuck': car('Manifold pressure does not move', 0.01),
  'reading:rail-low': car('Rail pressure below its target', 0.01),
  'reading:overcharging': car('Charging voltage too high', 0.01),
  'reading:charging-swings': car('Charging voltage swings', 0.03),
  'reading:pedal-tracks': car('Pedal tracks disagree', 0.005),
  'reading:throttle-lags': car('Throttle beside its command', 0.02),
  'reading:oxygen-lazy': car('Front oxygen sensor hardly swings', 0.03),
  'reading:catalyst-active': car('Rear oxygen sensor swings like the front', 0.03),
  'reading:catalyst-hot': car('Catalyst too hot', 0.01),
  'reading:boost-low': car('Boost below its target', 0.02),
  'reading:boost-high': car('Boost above its target', 0.01),
  'reading:egr-off': car('Recirculation beside its command', 0.02),
  'reading:filter-full': car('Particulate filter pressure too high', 0.01),
  'reading:ash': car('Filter pressure high with little soot', 0.01),
  'reading:filter-empty': car('Particulate filter pressure near nothing', 0.01),
  'reading:glow-off': car('Glow plugs not asked for when cold', 0.02),
  'reading:glow-dead': car('Glow plugs or intake heater draw no current', 0.02),
  'reading:filter-zero': car('Filter pressure not nothing with the engine off', 0.01),
  // Lamps that are lit. The leak is how often one is lit for a reason that is not in this knowledge.
  'lamp:engine-flashing': car('Engine lamp flashes', 0.02),
  'lamp:oil': car('Oil pressure lamp lit', 0.004),
  'lamp:temperature': car('Temperature lamp lit', 0.004),
  'lamp:charging': car('Charging lamp lit', 0.004),
  'lamp:brakes': car('Brake lamp lit', 0.006),
  'lamp:steering': car('Steering lamp lit', 0.004),
  'lamp:high-voltage': car('High-voltage lamp lit', 0.004),
  'lamp:stability': car('Stability lamp lit', 0.02),
  'lamp:airbag': car('Airbag lamp lit', 0.006),
  'lamp:tyre': car('Tyre lamp lit', 0.02),
  'lamp:gearbox': car('Gearbox lamp lit', 0.006),
  'lamp:particulate': car('Particulate filter lamp lit', 0.006),
  'lamp:glow': car('Glow plug lamp stays lit', 0.006),
  // What the owner notices.
  'sign:shakes': owner('runs', 'Shakes', 'Does it shake?', 0.05),
  'sign:rough-idle': owner('runs', 'Idles roughly', 'Does it idle roughly?', 0.06),
  'sign:weak': owner('runs', 'Pulls weakly', 'Does it pull weakly?', 0.05),
  'sign:stalls': owner('runs', 'Stalls', 'Does it stall?', 0.02),
  'sign:hard-start': owner('runs', 'Starts badly', 'Does it start badly?', 0.04),
  'sign:no-start': owner('runs', 'Does not start', 'Does it fail to start?', 0.015),
  'sign:limp': owner('runs', 'Will not rev, or stuck in a gear', 'Does it refuse to rev, or stay in one gear?', 0.02),
  'sign:slips': owner('runs', 'Revs rise, speed does not', 'Do the revs rise without the speed?', 0.015),
  'sign:long-pedal': owner('runs', 'Brake pedal long or soft', 'Is the brake pedal long or soft?', 0.01),
  'sign:heavy-steering': owner('runs', 'Steers heavily', 'Does it steer heavily?', 0.01),
  'sign:pulls-aside': owner('runs', 'Pulls to one side', 'Does it pull to one side?', 0.03),
  'sign:high-idle': owner('runs', 'Idles too fast', 'Does it idle too fast?', 0.03),
  'sign:wet': owner('when', 'Only in the wet', 'Only in wet weather?', 0.04),
  'sign:cold': owner('when', 'Only when cold', 'Only while the engine is cold?', 0.12),
  'sign:warm': owner('when', 'Only when warm', 'Only once it is warm?', 0.1),
  'sign:uphill': owner('when', 'Only under load', 'Only uphill or when you press the pedal?', 0.12),
  'sign:fuel-smell': owner('senses', 'Smells of fuel', 'Does it smell of fuel?', 0.03),
  'sign:hiss': owner('senses', 'Hisses or whistles', 'Does something hiss or whistle?', 0.03),
  'sign:ticking-exhaust': owner('senses', 'Exhaust ticks or blows', 'Does the exhaust tick or blow?', 0.03),
  'sign:black-smoke': owner('senses', 'Black smoke', 'Is there black smoke?', 0.02),
  'sign:blue-smoke': owner('senses', 'Blue smoke', 'Is there blue smoke?', 0.02),
  'sign:thirsty': owner('senses', 'Uses more fuel', 'Does it use more fuel than it did?', 0.06),
  'sign:pings': owner('senses', 'Rattles when accelerating', 'Does it rattle when you accelerate?', 0.03),
  'sign:white-smoke': owner('senses', 'White smoke, even when warm', 'Is there white smoke when it is warm?', 0.015),
  'sign:sweet-smell': owner('senses', 'Smells sweet', 'Does it smell sweet, inside or out?', 0.01),
  'sign:burnt-smell': owner('senses', 'Smells burnt', 'Does it smell burnt?', 0.02),
  'sign:egg-smell': owner('senses', 'Smells of rotten eggs', 'Does it smell of rotten eggs?', 0.02),
  'sign:knocks': owner('senses', 'Knocks deep in the engine', 'Does the engine knock, deep and heavy?', 0.01),
  'sign:squeals': owner('senses', 'Squeals at start or in the wet', 'Does something squeal?', 0.03),
  'sign:grinds': owner('senses', 'Grinds or rubs when braking', 'Does it grind or rub when you brake?', 0.02),
  'gauge:hot': owner('gauges', 'Temperature high', 'Does the temperature stand higher than usual?', 0.01),
  'gauge:cold': owner('gauges', 'Temperature stays low', 'Does the temperature stay low?', 0.02),
  'gauge:oil-low': owner('gauges', 'Oil below the mark', 'Is the oil below the mark on the stick?', 0.05),
  'gauge:coolant-low': owner('gauges', 'Coolant below the mark', 'Is the coolant below the mark, cold?', 0.04),
  'gauge:lights-dim': owner('gauges', 'Lights dim at idle', 'Do the lights dim at idle?', 0.02),
  'before:refuelled': owner('before', 'Refuelled a day or two before', 'Did you refuel in the last two days?', 0.25),
  'before:worked-on': owner('before', 'Worked on lately', 'Was anything worked on?', 0.1),
  'before:unplugged': owner('before', 'Something unplugged', 'Was anything unplugged, even for a moment?', 0.05),
  'before:washed': owner('before', 'Washed, or heavy rain', 'Was the engine washed, or did it rain hard?', 0.12),
  'before:jump': owner('before', 'Jump-started', 'Was it jump-started?', 0.03),
  'before:battery': owner('before', 'Battery off or new', 'Was the battery off, flat or replaced?', 0.06),
  'before:long-stand': owner('before', 'Stood for weeks', 'Did it stand for weeks?', 0.06),
  'before:towing': owner('before', 'Towed, or a heavy load', 'Did it tow, or carry a heavy load?', 0.05),
  'before:altitude': owner('before', 'High in the mountains', 'Was it high in the mountains?', 0.04),
  'before:kerb': owner('before', 'Hit a kerb or a pothole', 'Did it hit a kerb or a pothole?', 0.04),
  'before:modified': owner('before', 'Modified', 'Is anything on it modified?', 0.06),
  'before:plugs-old': owner('before', 'Plugs or coils never replaced', 'Are plugs and coils still the first, as far as you know?', 0.35),
} as const satisfies Record<string, ObservationKind>;
export type ObservationKey = keyof typeof OBSERVATIONS;

/** Kind and texts of an observation. */
export function observationKind(key: ObservationKey): ObservationKind {
  return OBSERVATIONS[key];
}

/** The observations that the owner is asked about, in order. */
export const OWNER_OBSERVATIONS = (Object.keys(OBSERVATIONS) as ObservationKey[]).filter(
  (key) => OBSERVATIONS[key].side === 'owner',
);

/** Whether a text is the key of an observation. */
export function isObservationKey(text: string): text is ObservationKey {
  return Object.hasOwn(OBSERVATIONS, text);
}

/**
 * The observation that a code is, and the cylinder it names.
 * @returns null for codes that the catalogue does not describe.
 */
export function findingOfCode(code: string): { key: ObservationKey; cylinder: number | null } | null {
  const entry = codeEntry(code);
  return entry ? { key: keyOfEntry(entry), cylinder: entry.place.cylinder ?? null } : null;
}

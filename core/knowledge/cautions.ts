/** Cautions, said where the work is. */
export const CAUTIONS = {
  'cold-engine':
    'Let the engine cool first: exhaust, engine and coolant can burn you. Never open the coolant cap while the engine is warm; it is under pressure.',
  'moving-parts':
    'Keep hands, hair, sleeves and tools away from belts and fans. A fan may start with the engine off.',
  'high-tension':
    'Ignition off and key out of range before you touch coils or leads: the spark has tens of thousands of volts. Where the engine must crank, keep hands off all ignition parts.',
  petrol:
    '{Petrol} under pressure sprays and burns. Release the pressure as the {workshop manual} says; no sparks, no smoking, a fire extinguisher at hand.',
  'fuel-vapour':
    'Fuel {vapour} is heavier than air, burns, and harms when inhaled: work outdoors, allow no flames or sparks, and do not suck on hoses.',
  'rail-pressure':
    'Fuel rails hold up to {350 bar} on {petrol} and {2,500 bar} on diesel: a jet cuts through skin. Engine off, wait until the rail pressure reads zero, and never search for a leak with your hand.',
  refrigerant:
    'Refrigerant is under pressure and freezes skin and eyes: only certified people may open the air-conditioning system. Check your local rule.',
  'dry-grass': 'After such a drive the exhaust is red hot: do not stop or park on dry grass or leaves.',
  'exhaust-gas':
    'Exhaust gas kills indoors. Run the engine outdoors only, or with the exhaust piped outside.',
  battery:
    'Disconnect the negative (ground/earth) cable first, reconnect it last. Never lay metal across the terminals; batteries give off explosive gas and contain acid.',
  jacking:
    'Never get under a {car} held by a jack alone: firm level ground, wheels chocked, {axle stands} under the marked points.',
  driving: 'Never read or type while driving; {a passenger does it}.',
  torque:
    'Start every thread by hand, then tighten to the {workshop manual}’s torque. Spark plugs and coil bolts strip easily in {aluminium}.',
  'vacuum-hose':
    'Pull on the fitting, not the hose, and count what you take off: a nut or clip lost in the {engine bay} costs hours.',
  coolant:
    'Coolant is poisonous and tastes sweet: catch it and keep it away from animals and children. Only ever open the cap on a cold engine, slowly, with a rag over it.',
  brakes:
    'Your life depends on the brakes: in any doubt, leave them to a qualified {workshop}. Never drive with a soft, sinking or unusually hard pedal.',
  steering:
    'Your life depends on the steering: beyond looking and topping up it is work for a qualified {workshop}.',
  airbag:
    'Airbags and belt pretensioners contain explosives: in many places only certified people may work on them; check your local rule. Look, do not touch; measure nothing on yellow connectors.',
  'high-voltage':
    'Orange cables can kill, even with the {car} off. Do not touch, open or measure: only people certified for high voltage may; check your local rule.',
  unplug:
    'Ignition off and wait a minute before you unplug a connector; press its catch and pull the body, never the wires.',
  cell: 'Button cells can kill if swallowed: keep them away from children, and recycle the old one.',
  spray:
    'Sprays burn on a hot exhaust: short bursts, away from hot and ignition parts, fire extinguisher at hand.',
} as const;
export type CautionId = keyof typeof CAUTIONS;

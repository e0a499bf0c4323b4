/** Cautions, said where the work is. */
export const CAUTIONS = {
  'cold-engine':
    'Work on a cold engine: exhaust, coils and coolant burn. Never open the coolant cap while it is warm; it is under pressure.',
  'moving-parts':
    'Keep hands, hair, sleeves and tools away from belts and fans. A fan may start with the engine off.',
  'high-tension':
    'Ignition off and the key away from the car before you touch coils or leads: the spark has tens of thousands of volts.',
  petrol:
    'Petrol under pressure sprays and burns. Let the pressure off as the manual says, no sparks, no smoking, an extinguisher at hand.',
  'exhaust-gas': 'Exhaust kills indoors. Run the engine outside or with the exhaust led out.',
  battery:
    'Earth lead off first, on last. No metal across the terminals; batteries give off explosive gas and hold acid.',
  jacking: 'Never under a car on a jack alone: firm ground, wheels chocked, stands under the marked points.',
  driving: 'Never read or type while driving; a passenger does it.',
  torque: 'Hand-tight first, then the handbook’s torque. Plugs and coil screws strip easily in aluminium.',
  'vacuum-hose':
    'Pull at the fitting, not at the hose, and count what you took off: a nut or a clip left in the bay costs hours.',
  coolant:
    'Coolant is poisonous and sweet: catch it, keep it from animals and children. Only ever open the cap on a cold engine, slowly, with a rag over it.',
  brakes:
    'Brakes are a life: if you are in any doubt, leave them to licensed people. Never drive with a soft pedal.',
  steering: 'Steering is a life: anything beyond looking and topping up is licensed work.',
  airbag:
    'Airbags and belt tensioners are explosive and licensed work. Look, do not touch; measure nothing on yellow plugs.',
  'high-voltage':
    'Orange cables can kill, even with the car off. Do not touch, open or measure; this is licensed work.',
  unplug: 'Ignition off and a minute’s wait before a plug comes off; pull at its catch, never at the wire.',
  cell: 'Button cells kill when swallowed: keep them from children, and give the old one back.',
  spray: 'Sprays and hot exhaust make fire: short bursts, away from ignition parts, extinguisher at hand.',
} as const;
export type CautionId = keyof typeof CAUTIONS;

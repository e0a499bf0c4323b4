/** A word of the trade in plain words. */
export interface GlossaryEntry {
  id: string;
  title: string;
  text: string;
  /** What workshops, readers and papers call it. */
  also: string;
}

export const GLOSSARY: readonly GlossaryEntry[] = [
  {
    id: 'bank',
    title: 'Bank',
    text: 'The side of a V or flat engine. Bank 1 is the side with cylinder 1; an in-line engine has only bank 1. Which side that is differs by manufacturer: see the {workshop manual}.',
    also: 'bank 1, bank 2',
  },
  {
    id: 'sensor-1',
    title: 'Sensor 1, sensor 2',
    text: 'Sensor 1 sits before the catalyst and controls the mixture; sensor 2 sits after it and watches the catalyst.',
    also: 'upstream, downstream',
  },
  {
    id: 'cylinder-number',
    title: 'Cylinder number',
    text: 'Counted from the belt side on many engines and from the transmission on others; on V engines bank by bank or across. Check before you take anything apart.',
    also: 'cyl, firing order',
  },
  {
    id: 'freeze-frame',
    title: 'Stored conditions',
    text: 'What the engine did at the moment a code was set: speed, load, temperature. Clearing erases it, so it is read first.',
    also: 'freeze frame',
  },
  {
    id: 'trip',
    title: 'Trip',
    text: 'A drive in which a self-check had the chance to run. Most codes need two failed trips in a row to light the engine light, and three good trips for it to go out.',
    also: 'drive cycle',
  },
  {
    id: 'warm-up',
    title: 'Warm-up',
    text: 'The coolant warms by at least {22 K} and reaches {71 °C}, on diesels {60 °C}. After some forty without the fault a code is forgotten.',
    also: 'warm-up cycle',
  },
  {
    id: 'monitor',
    title: 'Self-check',
    text: 'A test that a control unit runs on its own system, under its own conditions. An inspection requires most of them to have run.',
    also: 'readiness monitor, I/M',
  },
  {
    id: 'pending',
    title: 'Pending',
    text: 'Failed in this or the last trip, not often enough for the light.',
    also: 'maturing',
  },
  {
    id: 'confirmed',
    title: 'Confirmed',
    text: 'Failed often enough; it asks for the light.',
    also: 'stored, current, active',
  },
  {
    id: 'permanent',
    title: 'Permanent',
    text: 'Cannot be cleared by a tool; the {car} itself takes it back once it has seen the check pass.',
    also: 'PDTC',
  },
  {
    id: 'history',
    title: 'History',
    text: 'Stored but not failing now; the light is off.',
    also: 'passive, sporadic, intermittent',
  },
  {
    id: 'lamp',
    title: 'Engine light',
    text: 'The amber engine sign. Steady: read soon. Flashing: misfire is burning the catalyst, ease off at once.',
    also: 'MIL, check engine',
  },
  {
    id: 'trim',
    title: 'Fuel trim',
    text: 'How much fuel the control unit adds or takes away, in per cent, until the oxygen sensor reads right. Short-term moves at once, long-term is what it has learned.',
    also: 'STFT, LTFT',
  },
  {
    id: 'lambda',
    title: 'Lambda',
    text: 'The air the engine gets, divided by the air its fuel needs. 1 is right, above 1 lean, below 1 rich.',
    also: 'air-fuel ratio, equivalence ratio',
  },
  { id: 'maf', title: 'Air flow sensor', text: 'Weighs the air that goes in.', also: 'MAF' },
  {
    id: 'map',
    title: 'Manifold pressure sensor',
    text: 'Measures the pressure in the intake; with the engine off it is the air pressure of the day.',
    also: 'MAP',
  },
  {
    id: 'egr',
    title: 'Exhaust gas recirculation (EGR)',
    text: 'Some exhaust is led back to keep the flame cooler.',
    also: 'EGR',
  },
  {
    id: 'vvt',
    title: 'Camshaft actuator (variable valve timing)',
    text: 'Advances or retards the camshaft relative to the crankshaft, with oil pressure.',
    also: 'VVT, VCT',
  },
  {
    id: 'evap',
    title: 'Fuel {vapour} system (EVAP)',
    text: 'Keeps {petrol} {vapour} in and leads it to the engine.',
    also: 'EVAP, purge',
  },
  {
    id: 'dpf',
    title: 'Particulate filter (DPF, GPF)',
    text: 'Catches soot and burns it off on long drives.',
    also: 'DPF, GPF',
  },
  {
    id: 'scr',
    title: 'NOx catalyst',
    text: 'Turns nitrogen oxides into nitrogen and water with a liquid that is sprayed in.',
    also: 'SCR, urea',
  },
  {
    id: 'can',
    title: 'Data bus',
    text: 'Two twisted wires on which the control units communicate.',
    also: 'CAN',
  },
  {
    id: 'vin',
    title: 'Vehicle identification number (VIN)',
    text: 'Seventeen characters that name one vehicle.',
    also: 'VIN, chassis number',
  },
  {
    id: 'cvn',
    title: 'Verification number',
    text: 'A checksum of a control unit’s software; if it differs from before, the software was changed.',
    also: 'CVN, calibration',
  },
  {
    id: 'dtc',
    title: 'Trouble code',
    text: 'A letter and four digits that name a circuit or a symptom, not the part to buy.',
    also: 'DTC, fault code',
  },
  {
    id: 'pid',
    title: 'Reading',
    text: 'One live value that a control unit reports on request.',
    also: 'PID, live data',
  },
  {
    id: 'service-06',
    title: 'On-board test result',
    text: 'What a self-check measured, with its limits.',
    also: 'mode 06',
  },
  {
    id: 'limp',
    title: 'Limp mode',
    text: 'The control unit holds engine or transmission back to protect them.',
    also: 'limp mode, limp home',
  },
  {
    id: 'misfire',
    title: 'Misfire',
    text: 'A cylinder that does not fire properly when it should.',
    also: 'P0300',
  },
  {
    id: 'catalyst',
    title: 'Catalyst',
    text: 'Burns in the exhaust what the engine left unburnt.',
    also: 'catalytic converter, cat',
  },
  {
    id: 'knock',
    title: 'Knock',
    text: 'The mixture igniting by itself and hammering on the piston.',
    also: 'pinging, detonation',
  },
  {
    id: 'boost',
    title: 'Boost',
    text: 'Extra pressure in the intake from a turbocharger or supercharger.',
    also: 'turbo',
  },
  {
    id: 'parasitic',
    title: 'Battery drain (parked)',
    text: 'The current a parked {car} draws once everything has gone to sleep; above about 0.05 A something stays awake.',
    also: 'parasitic drain',
  },
  {
    id: 'ground',
    title: 'Ground',
    text: 'The return path to the battery through body and engine; a bad one causes all kinds of faults.',
    also: 'earth',
  },
  {
    id: 'reference',
    title: 'Sensor supply',
    text: 'Steady 5 volts that feed several sensors; a short in one pulls all down.',
    also: '5 V reference',
  },
  {
    id: 'udstatus',
    title: 'Status byte',
    text: 'Eight yes-or-no answers that a control unit keeps with a code: failing now, failed since clear, asks for the light, and so on.',
    also: 'ISO 14229',
  },
];

/**
 * What a line of an offer or an invoice pays for: words in either English, and the causes that they repair. The first that
 * fits counts, so that the more exact words stand first: a glow plug is no spark plug.
 */
export const OFFER_WORDS: readonly (readonly [words: RegExp, causes: readonly string[]])[] = [
  [/\bglow ?plugs?\b/i, ['glow-plug']],
  [/\bcoil boots?\b|\bplug boots?\b/i, ['coil-boot']],
  [/\b(ignition|ht|spark plug) (leads?|wires?)\b/i, ['leads-worn']],
  [/\bdifferential pressure sensor\b|\bdpf (pressure )?sensor\b/i, ['dpf-sensor', 'dpf-hose']],
  [/\boil pressure (switch|sensor)\b/i, ['oil-pressure-switch']],
  [/\b(boost|charge air|intercooler|turbo) (hose|pipe)s?\b/i, ['charge-hose']],
  [/\b(spark )?plugs?\b/i, ['plug', 'plugs-overdue']],
  [/\b(ignition )?coils?\b(?! boot)|\bcoil ?packs?\b/i, ['coil']],
  [/\b(mass )?air ?flow (sensor|meter)\b|\bmaf\b/i, ['maf-failed', 'maf-dirty', 'maf-wiring']],
  [/\bmap sensor\b|\bmanifold pressure sensor\b/i, ['map-failed']],
  [/\bintake (air )?temp\w* sensor\b|\biat\b/i, ['iat-failed']],
  [/\b(engine )?air filter\b/i, ['air-filter']],
  [/\bvacuum (hose|line|leak)s?\b/i, ['vacuum-hose-off', 'vacuum-boost']],
  [/\bintake (hose|boot|duct)\b/i, ['intake-hose-split']],
  [/\bintake manifold gaskets?\b/i, ['intake-gasket']],
  [/\bthrottle body\b/i, ['throttle-dirty', 'throttle-actuator']],
  [/\bidle (air )?(control )?valve\b/i, ['idle-valve']],
  [/\bpcv\b|\bbreather\b|\bcrankcase vent/i, ['breather-stuck', 'crankcase-hose']],
  [/\bfuel filter\b/i, ['fuel-filter', 'fuel-water']],
  [/\bfuel pump\b/i, ['fuel-pump-weak', 'lift-pump']],
  [/\bfuel pressure regulator\b/i, ['regulator-leaking', 'rail-regulator']],
  [
    /\binjectors?\b(?!.*\b(adblue|reductant|def)\b)/i,
    ['injector-clogged', 'injector-leaking', 'injector-circuit', 'injector-return'],
  ],
  [/\b(fuel|gas|filler) cap\b/i, ['fuel-cap']],
  [/\bpurge (valve|solenoid)\b/i, ['purge-stuck']],
  [/\bevap\b|\bcanister\b/i, ['evap-hose', 'canister-soaked', 'vent-valve-stuck']],
  [
    /\b(front|upstream|pre-?cat\w*) (o2|oxygen|lambda)\b|\b(o2|oxygen|lambda) (sensor|probe),? (front|upstream|bank \d,? sensor 1)\b/i,
    ['oxygen-front', 'oxygen-heater'],
  ],
  [
    /\b(rear|downstream|post-?cat\w*) (o2|oxygen|lambda)\b|\b(o2|oxygen|lambda) (sensor|probe),? (rear|downstream|bank \d,? sensor 2)\b/i,
    ['oxygen-rear'],
  ],
  [/\b(o2|oxygen|lambda) (sensor|probe)s?\b/i, ['oxygen-front', 'oxygen-rear', 'oxygen-heater']],
  [/\bcatal(yst|ytic)\b|\bcat converter\b/i, ['catalyst-worn', 'scr-worn']],
  [/\bexhaust (gasket|leak|clamp|flange)\b/i, ['exhaust-leak']],
  [/\begr\b/i, ['egr-stuck', 'egr-motor', 'egr-passage', 'egr-cooler-leak']],
  [/\bdpf\b|\bparticulate filter\b/i, ['particulate-full', 'dpf-ash', 'dpf-cracked', 'dpf-short-trips']],
  [/\bnox sensors?\b/i, ['nox-sensor']],
  [/\bturbo(charger)?\b(?! hose| pipe)/i, ['turbo-worn', 'turbo-vanes']],
  [/\bthermostat\b/i, ['thermostat-open', 'thermostat-closed', 'thermostat-heater']],
  [/\bwater pump\b|\bcoolant pump\b/i, ['water-pump', 'water-pump-electric']],
  [/\bcoolant (temp\w* )?sensor\b|\bect sensor\b/i, ['coolant-sensor']],
  [/\b(radiator|cooling) fan\b/i, ['cooling-fan']],
  [/\bradiator\b(?! fan)/i, ['radiator-blocked', 'coolant-low']],
  [/\bhead gasket\b/i, ['head-gasket']],
  [/\bcrank(shaft)? (position )?sensor\b/i, ['crank-sensor', 'crank-wire']],
  [/\bcam(shaft)? (position )?sensor\b/i, ['cam-sensor', 'cam-wire']],
  [/\btiming (chain|belt)\b/i, ['timing-stretched', 'belt-tensioner', 'cam-timing-off']],
  [/\b(oil control valve|vvt|vanos solenoid|cam phaser)\b/i, ['cam-adjuster-valve']],
  [/\bknock sensor\b/i, ['knock-sensor']],
  [/\b(battery)\b(?!.*\b(key|hybrid|traction|high)\b)/i, ['battery-weak', 'low-12v-hybrid']],
  [/\balternator\b/i, ['alternator', 'overcharging']],
  [/\bstarter( motor)?\b/i, ['starter', 'starter-relay']],
  [/\b(drive|serpentine|auxiliary|v-?ribbed) belt\b/i, ['drive-belt']],
  [/\bground strap\b|\bearth strap\b/i, ['ground-bad']],
  [/\bwiring (harness|loom|repair)\b|\bharness\b/i, ['named-wire', 'maf-wiring', 'oxygen-wire', 'rodents']],
  [/\bwheel speed sensor\b|\babs sensor\b/i, ['wheel-speed-sensor']],
  [/\bbrake (light |pedal )?switch\b/i, ['brake-switch']],
  [/\b(accelerator|throttle) pedal\b|\bpedal sensor\b/i, ['pedal-sensor']],
  [/\bengine (control )?(unit|computer|module)\b|\becu\b|\becm\b/i, ['unit-inside']],
  [/\b(regulator|rectifier)\b(?!.*fuel)/i, ['motorcycle-regulator']],
  [/\bstator\b/i, ['motorcycle-stator']],
];

/** Upkeep that needs no fault to be worth its price. */
export const SERVICE_WORDS =
  /\b(oil change|engine oil|oil filter|cabin filter|pollen filter|air filter|brake fluid|wipers?|screen ?wash|coolant change|service|inspection|mot|valet|wash|tyres?|tires?|brake (pads?|discs?|rotors?)|wheel alignment)\b/i;
export const DIAGNOSIS_WORDS =
  /\b(diagnos\w*|fault[- ]finding|troubleshoot\w*|code read\w*|read(ing)? codes?|scan|smoke test)\b/i;
export const LABOUR_WORDS = /\b(labou?r|fitting|hours?|hrs?|workshop supplies|sundries|shop supplies)\b/i;
export const TOTAL_WORDS = /\b(sub-?total|total|sum|vat|sales tax|tax|discount|deposit|amount due)\b/i;

import type { CarPlan, UnitPlan } from './car-plan.ts';

/** How a car's control units can be reached beyond what its plan says. */
export const NETWORKS = ['open', 'filtering', 'sleeping', 'older', 'unusual', 'newer'] as const;
export type NetworkId = (typeof NETWORKS)[number];

/** What is sent on a line that is open to the socket: ids in the range of diagnosis that are none. */
const TRAFFIC: NonNullable<CarPlan['traffic']> = [
  { id: '620', bytes: [0x10, 0x42, 0, 0, 0, 0, 0x7e, 0] },
  { id: '6F2', bytes: [0x03, 0x7f, 0x3e, 0x11, 0, 0, 0, 0] },
];

const withManner = (units: readonly UnitPlan[], names: readonly string[], manner: 'older' | 'asleep') =>
  units.map((u) => (names.includes(u.name) ? { ...u, manner } : u));

/** Ids as some makers pair them: twenty (hexadecimal) above, far below, and by address on 29 bits. */
const UNUSUAL: Readonly<Record<string, { request: string; answer: string }>> = {
  brakes: { request: '743', answer: '763' },
  airbag: { request: '772', answer: '77C' },
  instruments: { request: '714', answer: '77E' },
  steering: { request: '18DA30F1', answer: '18DAF130' },
  body: { request: '18DA40F1', answer: '18DAF140' },
};

/** The same car with its control units on another kind of network. */
export function onNetwork(plan: CarPlan, network: NetworkId): CarPlan {
  const { units } = plan;
  switch (network) {
    case 'open':
      return plan;
    case 'filtering':
      return { ...plan, units: [] };
    case 'sleeping':
      return { ...plan, units: withManner(units, ['body', 'instruments', 'suspension'], 'asleep') };
    case 'older':
      return { ...plan, units: withManner(units, ['airbag', 'steering', 'brakes'], 'older') };
    case 'unusual':
      return { ...plan, units: units.map((u) => ({ ...u, ...UNUSUAL[u.name] })), traffic: TRAFFIC };
    case 'newer':
      return { ...plan, isNewer: true };
  }
}

export { SERVICE_ITEMS, type Interval, type ServiceItem } from './items.ts';
export { kmPerYear, serviceDue, type ServiceRow, type ServiceStatus } from './due.ts';

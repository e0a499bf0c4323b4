export { seriesOf, softwareChanges, type Series, type SoftwareChange, type TrendPoint } from './series.ts';
export { orderByAccident, pairSlopes, trendOf, trendsOf, type Trend } from './trend.ts';

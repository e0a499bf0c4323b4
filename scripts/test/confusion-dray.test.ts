import { CARS } from '@pincer/simulator';
import { holdsFor } from './confusion.ts';

test('sound it passes all that it can; each fault trips its rule and few others; the printed table says so', () =>
  holdsFor(CARS.find((c) => c.id === 'dray')));

import type { Owner } from '@pincer/core/case';
import { moneyOf } from '@pincer/core/words';

/** A sum of money in the owner's currency, whole. */
export const money = (amount: number, owner: Owner): string => moneyOf(amount, owner);

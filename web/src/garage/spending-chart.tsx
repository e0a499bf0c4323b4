import type { Purse } from '@pincer/core/words';
import { Bar, BarChart, CartesianGrid, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { money } from '../ui/format.ts';

/** What was spent each year; the table below the picture says the same. */
export function SpendingChart({
  years,
  purse,
}: {
  years: readonly { year: number; cost: number }[];
  purse: Purse;
}) {
  return (
    <figure>
      <figcaption className="text-[15px] text-ink-2">
        Spent on repairs: {years.map((y) => `${y.year} ${money(y.cost, purse)}`).join(', ')}.
      </figcaption>
      <div aria-hidden="true" className="h-40">
        <ResponsiveContainer width="100%" height="100%">
          <BarChart
            accessibilityLayer={false}
            data={[...years]}
            margin={{ top: 8, right: 8, bottom: 0, left: 0 }}
          >
            <CartesianGrid vertical={false} stroke="var(--line)" />
            <XAxis dataKey="year" tick={{ fill: 'var(--ink-2)', fontSize: 14 }} stroke="var(--line)" />
            <YAxis tick={{ fill: 'var(--ink-2)', fontSize: 14 }} stroke="var(--line)" width={48} />
            <Bar dataKey="cost" fill="var(--own)" isAnimationActive={false} />
          </BarChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}

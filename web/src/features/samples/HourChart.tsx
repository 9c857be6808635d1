import { useTheme } from '@mui/material/styles';
import { BarChart } from '@mui/x-charts/BarChart';
import type { Health } from '@/api/client';

const HOURS = 24;
const HOUR = 3_600_000;

/** Every so many hours has its time under it. */
const LABELLED = 3;

/** The last day hour by hour, also those in which nothing was called. */
function hoursOf(hours: Health['hours'], until: number) {
  const last = Math.floor(until / HOUR) * HOUR;
  return Array.from({ length: HOURS }, (_, index) => {
    const from = last - (HOURS - 1 - index) * HOUR;
    // Where clocks differ by half an hour the server's hours begin within ours.
    const known = hours.find(
      (hour) => Math.floor(new Date(hour.from).getTime() / HOUR) * HOUR === from,
    );
    return { from, calls: known?.calls ?? 0, failed: known?.failed ?? 0 };
  });
}

/** How much was called in each hour of a day, and how much of it in vain. */
export function HourChart({ health }: { health: Health }) {
  const { palette } = useTheme();
  const all = hoursOf(health.hours, new Date(health.until).getTime());
  return (
    <BarChart
      height={150}
      skipAnimation
      colors={[palette.text.secondary, palette.error.main]}
      margin={{ left: 0, right: 8, top: 16, bottom: 0 }}
      xAxis={[
        {
          scaleType: 'band',
          height: 26,
          tickLabelInterval: (_, index) => index % LABELLED === 0,
          data: all.map(({ from }) =>
            new Date(from).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' }),
          ),
        },
      ]}
      yAxis={[
        {
          // Calls come whole; of a few of them the axis would mark halves too.
          valueFormatter: (calls: number) =>
            Number.isInteger(calls) ? calls.toLocaleString() : '',
        },
      ]}
      series={[
        { label: 'answered', stack: 'all', data: all.map(({ calls, failed }) => calls - failed) },
        { label: 'failed', stack: 'all', data: all.map(({ failed }) => failed) },
      ]}
    />
  );
}

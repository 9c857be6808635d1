import { useTheme } from '@mui/material/styles';
import { BarChart } from '@mui/x-charts/BarChart';
import type { SampleLine } from '@/api/client';
import { momentText } from '@/lib/format';

const WIDTH = 150;
const HEIGHT = 36;

/** How long the last runs of a check took, and which of them did not hold. */
export function RunsChart({ name, runs }: { name: string; runs: SampleLine['runs'] }) {
  const { palette } = useTheme();
  const millis = (value: number | null) => (value === null ? null : `${value.toLocaleString()} ms`);
  return (
    <BarChart
      aria-label={`Runs of ${name}: ${runs.length.toString()}, of which ${runs
        .filter(({ holds }) => !holds)
        .length.toString()} did not hold`}
      width={WIDTH}
      height={HEIGHT}
      skipAnimation
      hideLegend
      colors={[palette.text.secondary, palette.error.main]}
      margin={{ left: 0, right: 0, top: 4, bottom: 0 }}
      xAxis={[
        {
          scaleType: 'band',
          position: 'none',
          data: runs.map((_, index) => index),
          valueFormatter: (index: number) => momentText(runs[index]?.at ?? ''),
        },
      ]}
      yAxis={[{ position: 'none', min: 0 }]}
      series={[
        {
          label: 'held',
          stack: 'all',
          valueFormatter: millis,
          data: runs.map(({ holds, tookMillis }) => (holds ? Math.max(1, tookMillis) : null)),
        },
        {
          label: 'did not hold',
          stack: 'all',
          valueFormatter: millis,
          data: runs.map(({ holds, tookMillis }) => (holds ? null : Math.max(1, tookMillis))),
        },
      ]}
    />
  );
}

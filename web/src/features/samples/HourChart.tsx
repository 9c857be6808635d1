import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { BarPlot } from '@mui/x-charts/BarChart';
import { ChartsAxisHighlight } from '@mui/x-charts/ChartsAxisHighlight';
import { ChartsDataProvider } from '@mui/x-charts/ChartsDataProvider';
import { ChartsLegend } from '@mui/x-charts/ChartsLegend';
import { ChartsSurface } from '@mui/x-charts/ChartsSurface';
import { ChartsTooltip } from '@mui/x-charts/ChartsTooltip';
import { ChartsXAxis } from '@mui/x-charts/ChartsXAxis';
import { ChartsYAxis } from '@mui/x-charts/ChartsYAxis';
import { LinePlot, MarkPlot } from '@mui/x-charts/LineChart';
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
    return {
      from,
      calls: known?.calls ?? 0,
      failed: known?.failed ?? 0,
      took: known ? known.meanMillis : null,
    };
  });
}

/** How much was called in each hour of a day, how much of it in vain, and how long it took. */
export function HourChart({ health }: { health: Health }) {
  const { palette } = useTheme();
  const all = hoursOf(health.hours, new Date(health.until).getTime());
  return (
    <ChartsDataProvider
      height={170}
      skipAnimation
      colors={[palette.text.secondary, palette.error.main, palette.primary.main]}
      margin={{ left: 0, right: 0, top: 16, bottom: 0 }}
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
          id: 'calls',
          width: 60,
          label: 'calls',
          // Calls come whole; of a few of them the axis would mark halves too.
          valueFormatter: (calls: number) =>
            Number.isInteger(calls) ? calls.toLocaleString() : '',
        },
        { id: 'took', width: 60, position: 'right', label: 'ms', min: 0, tickNumber: 4 },
      ]}
      series={[
        {
          type: 'bar',
          yAxisId: 'calls',
          label: 'answered',
          stack: 'all',
          data: all.map(({ calls, failed }) => calls - failed),
        },
        {
          type: 'bar',
          yAxisId: 'calls',
          label: 'failed',
          stack: 'all',
          data: all.map(({ failed }) => failed),
        },
        {
          type: 'line',
          curve: 'linear',
          yAxisId: 'took',
          label: 'took on average',
          showMark: true,
          valueFormatter: (took) => (took === null ? null : `${took.toLocaleString()} ms`),
          data: all.map(({ took }) => took),
        },
      ]}
    >
      <Box sx={{ display: 'flex', justifyContent: 'center' }}>
        <ChartsLegend />
      </Box>
      <ChartsSurface>
        <BarPlot />
        <LinePlot />
        <MarkPlot />
        <ChartsAxisHighlight x="band" />
        <ChartsXAxis />
        <ChartsYAxis axisId="calls" />
        <ChartsYAxis axisId="took" />
      </ChartsSurface>
      <ChartsTooltip trigger="axis" />
    </ChartsDataProvider>
  );
}

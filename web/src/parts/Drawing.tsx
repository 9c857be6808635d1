import { useTheme } from '@mui/material/styles';
import { BarChart } from '@mui/x-charts/BarChart';
import { LineChart } from '@mui/x-charts/LineChart';
import { ScatterChart } from '@mui/x-charts/ScatterChart';
import type { ChartView } from '@/api/client';

const HEIGHT = 280;

/** Room for the numbers along a drawing and for what they are called. */
const AXIS = 52;

/** Numbers travel as texts where a browser would lose their digits. */
const numberOf = (value: unknown) => (value === null || value === undefined ? null : Number(value));

/** The drawing of a chart. */
export function Drawing({ chart }: { chart: ChartView }) {
  const { palette } = useTheme();
  const colors = [
    palette.primary.main,
    palette.secondary.main,
    palette.text.primary,
    palette.text.secondary,
  ];
  const even = chart.at.length > 0;
  const lines = chart.series.map(({ id, label, values }) => ({
    id,
    label,
    data: values.map(numberOf),
  }));
  const along = {
    label: chart.alongLabel,
    height: AXIS,
    ...(even && chart.drawing !== 'BAR'
      ? {
          data: chart.times ? chart.at.map((at) => new Date(at)) : chart.at,
          scaleType: chart.times ? ('time' as const) : ('linear' as const),
          valueFormatter: (value: number | Date) =>
            chart.along[chart.at.indexOf(Number(value))] ??
            (value instanceof Date
              ? value.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })
              : String(value)),
        }
      : { data: chart.along, scaleType: 'band' as const }),
  };
  const shared = { height: HEIGHT, colors, skipAnimation: true };
  if (chart.drawing === 'BAR') return <BarChart {...shared} xAxis={[along]} series={lines} />;
  if (chart.drawing === 'POINTS') {
    return (
      <ScatterChart
        {...shared}
        xAxis={[{ label: chart.alongLabel, height: AXIS }]}
        series={lines.map(({ id, label, data }) => ({
          id,
          label,
          data: data.flatMap((y, at) =>
            y === null ? [] : [{ id: at, x: even ? (chart.at[at] ?? at) : at, y }],
          ),
        }))}
      />
    );
  }
  return (
    <LineChart
      {...shared}
      xAxis={[along]}
      series={lines.map((line) => ({
        ...line,
        area: chart.drawing === 'AREA',
        showMark: line.data.length < 60,
        curve: 'monotoneX' as const,
      }))}
    />
  );
}

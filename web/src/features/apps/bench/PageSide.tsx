import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { type ReactNode, useState } from 'react';
import { Chart } from './Chart';

const WIDTHS = { phone: 390, tablet: 720, desk: 980, full: undefined };
type Width = keyof typeof WIDTHS;

interface Props {
  running: boolean;
  onRun: (running: boolean) => void;
  note: ReactNode;
  below: ReactNode;
  tools: ReactNode;
  children: ReactNode;
}

/** The right side of the bench: the page itself, at any width, being built or running. */
export function PageSide({ running, onRun, note, below, tools, children }: Props) {
  const [width, setWidth] = useState<Width>('full');
  return (
    <Box sx={{ height: '100%', overflow: 'auto', px: 2, pb: 3 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, height: 42, mb: 1 }}>
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={running}
              onChange={(_, on) => {
                onRun(on);
              }}
            />
          }
          label="Run"
          slotProps={{ typography: { sx: { fontWeight: 600 } } }}
        />
        <Box
          component="span"
          sx={{
            color: 'text.secondary',
            flex: 1,
            overflow: 'hidden',
            textOverflow: 'ellipsis',
            whiteSpace: 'nowrap',
          }}
        >
          {note}
        </Box>
        {tools}
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Width"
          value={width}
          onChange={(_, next: Width | null) => {
            if (next) setWidth(next);
          }}
          sx={{ '& .MuiToggleButton-root': { py: 0.25, px: 1, textTransform: 'none' } }}
        >
          {(Object.keys(WIDTHS) as Width[]).map((one) => (
            <ToggleButton key={one} value={one}>
              {one}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </Box>
      <Chart width={WIDTHS[width]}>{children}</Chart>
      {below}
    </Box>
  );
}

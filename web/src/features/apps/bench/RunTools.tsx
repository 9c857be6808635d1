import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { PageCall, Simulation } from '@/api/client';

type How = Simulation['how'];

export const NO_SIMULATION: Simulation = { how: 'NONE' };

const LOOKS = {
  NONE: 'real requests',
  SLOW: '3 s later',
  FAILING: 'as if it failed',
  DROPPED: 'as if the answer broke off',
  SAMPLES: 'answered from samples',
} as const satisfies Record<How, string>;

interface ChoiceProps {
  label: string;
  value: string;
  quiet: boolean;
  words: Record<string, string>;
  onChoose: (value: string) => void;
}

function Choice({ label, value, quiet, words, onChoose }: ChoiceProps) {
  return (
    <TextField
      select
      variant="standard"
      value={value}
      slotProps={{
        select: { SelectDisplayProps: { 'aria-label': label } },
        input: { disableUnderline: quiet },
      }}
      onChange={(event) => {
        onChoose(event.target.value);
      }}
    >
      {Object.entries(words).map(([one, text]) => (
        <MenuItem key={one} value={one}>
          {text}
        </MenuItem>
      ))}
    </TextField>
  );
}

interface Props {
  calls: PageCall[];
  simulation: Simulation;
  onSimulate: (simulation: Simulation) => void;
  onAnew: () => void;
}

const ALL = '';

/** How services look to the page that runs, and to begin with it again. */
export function RunTools({ calls, simulation, onSimulate, onAnew }: Props) {
  const { how, call } = simulation;
  return (
    <Box component="span" sx={{ display: 'inline-flex', gap: 1.5, alignItems: 'center' }}>
      <Choice
        label="How services look"
        value={how}
        quiet={how === 'NONE'}
        words={LOOKS}
        onChoose={(value) => {
          const chosen = Object.keys(LOOKS).find((one) => one === value) as How;
          onSimulate(chosen === 'NONE' ? NO_SIMULATION : { ...simulation, how: chosen });
        }}
      />
      {how !== 'NONE' && calls.length > 1 && (
        <Choice
          label="Which calls"
          value={call ?? ALL}
          quiet={false}
          words={{
            [ALL]: 'all calls',
            ...Object.fromEntries(calls.map((one) => [one.id, `only ${one.operationName}`])),
          }}
          onChoose={(value) => {
            onSimulate(value === ALL ? { how } : { how, call: value });
          }}
        />
      )}
      <Button size="small" onClick={onAnew}>
        Start over
      </Button>
    </Box>
  );
}

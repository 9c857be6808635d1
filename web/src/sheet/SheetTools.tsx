import Box from '@mui/material/Box';
import InputAdornment from '@mui/material/InputAdornment';
import Search from '@mui/icons-material/Search';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import type { ReactNode } from 'react';
import type { Filter, View, ViewAction } from './model';

interface Props {
  view: View;
  onView: (action: ViewAction) => void;
  onLeave: () => void;
  /** Whether any field can be used. */
  ticks: boolean;
  children?: ReactNode;
}

/** What can be done with a sheet as a whole: send, find a field, show fewer rows. */
export function SheetTools({ view, onView, onLeave, ticks, children }: Props) {
  return (
    <Box
      // On one line whatever it holds, without a bar that comes and goes: rows that move while one
      // is pressed are missed by the mouse.
      sx={{
        display: 'flex',
        gap: 0.5,
        alignItems: 'center',
        py: 0.75,
        px: 1,
        overflowX: 'auto',
        scrollbarWidth: 'none',
        '& > button': { flex: 'none', px: 0.75, minWidth: 0 },
      }}
    >
      {children}
      <TextField
        placeholder="find…"
        value={view.find}
        onChange={(event) => {
          onView({ type: 'find', text: event.target.value });
        }}
        onKeyDown={(event) => {
          if (event.key !== 'Escape' && event.key !== 'Enter') return;
          if (event.key === 'Escape') onView({ type: 'find', text: '' });
          onLeave();
        }}
        slotProps={{
          htmlInput: { 'aria-label': 'Find a field', 'data-find': true },
          input: {
            startAdornment: (
              <InputAdornment position="start">
                <Search fontSize="small" />
              </InputAdornment>
            ),
          },
        }}
        sx={{ flex: '1 1 60px', minWidth: 60, maxWidth: 165, '& input': { py: 0.5 } }}
      />
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="Which rows to show"
        value={view.filter}
        onChange={(_, filter: Filter | null) => {
          if (filter) onView({ type: 'filter', filter });
        }}
        sx={{
          '& .MuiToggleButton-root': {
            py: 0.25,
            px: 0.75,
            textTransform: 'none',
            whiteSpace: 'nowrap',
          },
        }}
      >
        {ticks && <ToggleButton value="used">used</ToggleButton>}
        <ToggleButton value="values">with values</ToggleButton>
        <ToggleButton value="all">all</ToggleButton>
      </ToggleButtonGroup>
    </Box>
  );
}

import Box from '@mui/material/Box';
import type { Format, Look } from '@/api/client';
import { choiceOf, formatsFor } from './formats';

interface Props {
  look: Look;
  label?: string;
  onFormat: (format: Format) => void;
}

/** How a value is shown, to be chosen from what fits its type. */
export function FormatMenu({ look, label = 'Shown as', onFormat }: Props) {
  const choices = formatsFor(look.type);
  const at = choiceOf(choices, look.format);
  if (choices.length < 2) return null;
  return (
    <Box
      component="select"
      aria-label={label}
      value={at}
      onKeyDown={(event: React.KeyboardEvent) => {
        event.stopPropagation();
      }}
      onChange={(event: React.ChangeEvent<HTMLSelectElement>) => {
        const chosen = choices[Number(event.target.value)];
        if (chosen) onFormat(chosen.format);
      }}
      sx={{
        font: 'inherit',
        fontSize: 12.5,
        height: 22,
        maxWidth: 'min(150px, 100%)',
        minWidth: 0,
        color: 'text.primary',
        border: '1px solid',
        borderColor: 'divider',
        borderRadius: '3px',
        bgcolor: 'background.paper',
      }}
    >
      {at < 0 && <option value={-1}>as set</option>}
      {choices.map(({ words }, index) => (
        <option key={words} value={index}>
          {words}
        </option>
      ))}
    </Box>
  );
}

import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';

interface Props<T extends string> {
  label: string;
  value: T;
  words: Record<T, string>;
  onChoose: (value: T) => void;
}

/** One of a few settings, small enough for the strip. */
export function OneOf<T extends string>({ label, value, words, onChoose }: Props<T>) {
  return (
    <Select
      variant="standard"
      value={value}
      onChange={(event) => {
        onChoose(event.target.value as T);
      }}
      inputProps={{ 'aria-label': label }}
      sx={{ fontSize: 12.5 }}
    >
      {(Object.keys(words) as T[]).map((one) => (
        <MenuItem key={one} value={one} dense>
          {words[one]}
        </MenuItem>
      ))}
    </Select>
  );
}

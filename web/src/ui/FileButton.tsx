import Box from '@mui/material/Box';
import Button, { type ButtonProps } from '@mui/material/Button';

interface Props extends Pick<ButtonProps<'label'>, 'loading' | 'sx' | 'children'> {
  /** What the file is, for those who do not see the button. */
  label: string;
  /** The endings that are taken, as in the attribute of the same name. */
  accept?: string;
  onFile: (file: File) => void;
}

/** A button that asks for a file. What is reached with the keyboard is the field in it. */
export function FileButton({ label, accept, onFile, children, ...look }: Props) {
  return (
    <Button {...look} component="label" variant="outlined" role={undefined} tabIndex={-1}>
      {children}
      <Box
        component="input"
        type="file"
        data-edit
        aria-label={label}
        accept={accept}
        // Hidden from the eye only, so that it can be reached with the keyboard.
        sx={{ position: 'absolute', opacity: 0, width: '1px', height: '1px' }}
        onChange={(event: React.ChangeEvent<HTMLInputElement>) => {
          const file = event.target.files?.[0];
          // The same file can be chosen again.
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </Button>
  );
}

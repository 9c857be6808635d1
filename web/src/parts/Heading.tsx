import Typography from '@mui/material/Typography';

/** The words over a part, if it has any. */
export function Heading({ words }: { words: string }) {
  return (
    words !== '' && (
      <Typography variant="h2" sx={{ mb: 1 }}>
        {words}
      </Typography>
    )
  );
}

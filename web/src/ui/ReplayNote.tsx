import Box from '@mui/material/Box';

/** Says on every page which services are not really asked. */
export function ReplayNote({ services }: { services: string[] }) {
  if (services.length === 0) return null;
  return (
    <Box
      role="note"
      sx={{
        bgcolor: 'shallow',
        borderLeft: '4px solid',
        borderColor: 'warning.main',
        px: 1.5,
        py: 0.5,
        mb: 1.5,
      }}
    >
      {services.join(' and ')} {services.length === 1 ? 'is' : 'are'} answered for from samples;
      nothing is sent.
    </Box>
  );
}

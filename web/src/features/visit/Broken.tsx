import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Component, type ReactNode } from 'react';

interface State {
  error?: Error;
}

/** Says so where a page broke, instead of showing nothing. */
export class Broken extends Component<{ children: ReactNode }, State> {
  override state: State = {};

  static getDerivedStateFromError(error: Error): State {
    return { error };
  }

  override render() {
    const { error } = this.state;
    if (!error) return this.props.children;
    return (
      <Box component="main" sx={{ p: 4, display: 'grid', gap: 1.5 }}>
        <Typography variant="h1">This page broke</Typography>
        <Typography>Reload it; what was sent is kept. ({error.message})</Typography>
      </Box>
    );
  }
}

import '@fontsource-variable/source-sans-3';
import '@fontsource/source-code-pro/400.css';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { type ReactNode, StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { ApiProblem } from '@/api/client';
import '@/app/base.css';
import { theme } from './theme';

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      // What the server refused once it will refuse again; only silence is worth another try.
      retry: (failures, error) => failures < 2 && error instanceof ApiProblem && error.status === 0,
    },
  },
});

/** Begins one of the two programs: that of builders, or that of visitors. */
export function begin(program: ReactNode) {
  const root = document.getElementById('root');
  if (!root) throw new Error('The page has no root element.');
  createRoot(root).render(
    <StrictMode>
      <ThemeProvider theme={theme} defaultMode="light">
        <CssBaseline />
        <QueryClientProvider client={queries}>{program}</QueryClientProvider>
      </ThemeProvider>
    </StrictMode>,
  );
}

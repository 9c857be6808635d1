import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from 'react-router';
import { ApiProblem } from '@/api/client';
import { router } from './router';
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

export function App() {
  return (
    <ThemeProvider theme={theme} defaultMode="light">
      <CssBaseline />
      <QueryClientProvider client={queries}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </ThemeProvider>
  );
}

import { RouterProvider } from 'react-router';
import { router } from './router';

/** The program of builders. */
export function App() {
  return <RouterProvider router={router} />;
}

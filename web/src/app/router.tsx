import { createBrowserRouter, Navigate, Outlet } from 'react-router';
import { AppsPlace } from '@/features/apps/AppsPlace';
import { BenchPage } from '@/features/apps/bench/BenchPage';
import { OpenPage } from '@/features/apps/OpenPage';
import { IntakePage } from '@/features/services/IntakePage';
import { OperationPage } from '@/features/services/OperationPage';
import { ServicePage } from '@/features/services/ServicePage';
import { ServicesPlace } from '@/features/services/ServicesPlace';
import { Frame } from './frame/Frame';
import { Lost } from './Lost';

export const router = createBrowserRouter([
  { path: '/open/:app/:page', element: <OpenPage />, errorElement: <Lost /> },
  {
    element: (
      <Frame>
        <Outlet />
      </Frame>
    ),
    errorElement: <Lost />,
    children: [
      { path: '/', element: <Navigate to="/services" replace /> },
      {
        path: '/services',
        element: <ServicesPlace />,
        children: [
          { index: true, element: <IntakePage /> },
          { path: ':service', element: <ServicePage /> },
          { path: ':service/operations/:operation', element: <OperationPage /> },
        ],
      },
      { path: '/apps', element: <AppsPlace /> },
      { path: '/apps/:app/pages/:page', element: <BenchPage /> },
      { path: '*', element: <Lost /> },
    ],
  },
]);

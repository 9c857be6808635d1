import { createBrowserRouter, Navigate, Outlet } from 'react-router';
import { AppsPlace } from '@/features/apps/AppsPlace';
import { BenchPage } from '@/features/apps/bench/BenchPage';
import { OpenPage } from '@/features/apps/OpenPage';
import { ModelPlace } from '@/features/apps/model/ModelPlace';
import { ModelStart } from '@/features/apps/model/ModelStart';
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
      { path: '/apps/:app/model', element: <ModelPlace /> },
      { path: '/apps/:app/model/:type', element: <ModelPlace /> },
      { path: '/apps/:app/pages/:page', element: <BenchPage /> },
      { path: '/model', element: <ModelStart /> },
      { path: '*', element: <Lost /> },
    ],
  },
]);

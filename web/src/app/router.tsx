import { type ComponentType } from 'react';
import { createBrowserRouter, Navigate } from 'react-router';
import { Lost } from './Lost';

/** A page that is fetched when somebody goes there: visitors never fetch what builds pages. */
const page = (load: () => Promise<ComponentType>) => ({
  lazy: async () => ({ Component: await load() }),
});

export const router = createBrowserRouter([
  {
    path: '/open/:app/:page',
    ...page(async () => (await import('@/features/apps/OpenPage')).OpenPage),
    HydrateFallback: () => null,
    errorElement: <Lost />,
  },
  {
    ...page(async () => (await import('./frame/FramedPage')).FramedPage),
    HydrateFallback: () => null,
    errorElement: <Lost />,
    children: [
      { path: '/', element: <Navigate to="/services" replace /> },
      {
        path: '/services',
        ...page(async () => (await import('@/features/services/ServicesPlace')).ServicesPlace),
        children: [
          {
            index: true,
            ...page(async () => (await import('@/features/services/IntakePage')).IntakePage),
          },
          {
            path: ':service',
            ...page(async () => (await import('@/features/services/ServicePage')).ServicePage),
          },
          {
            path: ':service/operations/:operation',
            ...page(async () => (await import('@/features/services/OperationPage')).OperationPage),
          },
        ],
      },
      {
        path: '/apps',
        ...page(async () => (await import('@/features/apps/AppsPlace')).AppsPlace),
      },
      {
        path: '/apps/:app/model/:type?',
        ...page(async () => (await import('@/features/apps/model/ModelPlace')).ModelPlace),
      },
      {
        path: '/apps/:app/pages/:page',
        ...page(async () => (await import('@/features/apps/bench/BenchPage')).BenchPage),
      },
      {
        path: '/model',
        ...page(async () => (await import('@/features/apps/model/ModelStart')).ModelStart),
      },
      { path: '*', element: <Lost /> },
    ],
  },
]);

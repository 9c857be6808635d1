import { type ComponentType } from 'react';
import { createBrowserRouter, Navigate } from 'react-router';
import { Lost } from './Lost';

/** A page that is fetched when somebody goes there. */
const page = (load: () => Promise<ComponentType>) => ({
  lazy: async () => ({ Component: await load() }),
});

export const router = createBrowserRouter([
  {
    path: '/sign-in',
    ...page(async () => (await import('@/features/entry/SignIn')).SignIn),
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
            path: 'offered/new/:draft',
            ...page(async () => (await import('@/features/tables/DraftPage')).DraftPage),
          },
          {
            path: 'offered/:offer',
            ...page(async () => (await import('@/features/tables/OfferedPage')).OfferedPage),
          },
          {
            path: ':service',
            ...page(async () => (await import('@/features/services/ServicePage')).ServicePage),
          },
          {
            path: ':service/editions',
            ...page(
              async () => (await import('@/features/services/editions/EditionsPage')).EditionsPage,
            ),
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
        path: '/samples/log',
        ...page(async () => (await import('@/features/samples/LogPlace')).LogPlace),
      },
      {
        path: '/samples',
        ...page(async () => (await import('@/features/samples/SamplesPlace')).SamplesPlace),
      },
      {
        path: '/releases',
        ...page(async () => (await import('@/features/apps/releases/ReleasesStart')).ReleasesStart),
      },
      {
        path: '/apps/:app/releases',
        ...page(async () => (await import('@/features/apps/releases/ReleasesPlace')).ReleasesPlace),
      },
      {
        path: '/apps/:app/start',
        ...page(async () => (await import('@/features/apps/releases/StartPlace')).StartPlace),
      },
      {
        path: '/start',
        ...page(
          async () => (await import('@/features/apps/releases/StartOfAllPlace')).StartOfAllPlace,
        ),
      },
      {
        path: '/model',
        ...page(async () => (await import('@/features/apps/model/ModelStart')).ModelStart),
      },
      {
        path: '/upkeep',
        ...page(async () => (await import('@/features/upkeep/UpkeepPage')).UpkeepPage),
      },
      { path: '*', element: <Lost /> },
    ],
  },
]);

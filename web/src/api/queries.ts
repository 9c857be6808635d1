import { queryOptions } from '@tanstack/react-query';
import { api, type CutRequest, unwrap } from './client';

/** What the server keeps, one entry a resource; used by pages, and named when something changes. */
export const servicesQuery = queryOptions({
  queryKey: ['services'],
  queryFn: () => unwrap(api.GET('/api/services')),
});

export const serviceQuery = (service: string) =>
  queryOptions({
    queryKey: ['services', service],
    queryFn: () => unwrap(api.GET('/api/services/{service}', { params: { path: { service } } })),
  });

export const accessQuery = (service: string, endpoint: string) =>
  queryOptions({
    queryKey: ['services', service, 'access', endpoint],
    queryFn: () =>
      unwrap(
        api.GET('/api/services/{service}/endpoints/{endpoint}/access', {
          params: { path: { service, endpoint } },
        }),
      ),
  });

export const operationQuery = (service: string, operation: string) =>
  queryOptions({
    queryKey: ['services', service, operation],
    queryFn: () =>
      unwrap(
        api.GET('/api/services/{service}/operations/{operation}', {
          params: { path: { service, operation } },
        }),
      ),
  });

export const appsQuery = queryOptions({
  queryKey: ['apps'],
  queryFn: () => unwrap(api.GET('/api/apps')),
});

export const appQuery = (app: string) =>
  queryOptions({
    queryKey: ['apps', app],
    queryFn: () => unwrap(api.GET('/api/apps/{app}', { params: { path: { app } } })),
  });

export const previewQuery = (app: string, page: string, version: number) =>
  queryOptions({
    queryKey: ['preview', app, page, version],
    queryFn: () =>
      unwrap(
        api.GET('/api/apps/{app}/pages/{page}/preview', { params: { path: { app, page } } }),
      ),
    placeholderData: (before) => before,
  });

/** What a pattern cuts out of a text; asked again only for another text or pattern. */
export const cutsQuery = (body: CutRequest) =>
  queryOptions({
    queryKey: ['cuts', body],
    queryFn: () => unwrap(api.POST('/api/cuts', { body })),
    placeholderData: (before) => before,
    retry: false,
  });

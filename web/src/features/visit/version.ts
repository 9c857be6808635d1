import { useLocation, useParams } from 'react-router';

/** The version of an app that an address is about, and where its pages are. */
export interface Version {
  app: string;
  as: 'VISITOR' | 'REVIEWER';
  /** A release by its number; the one that is current where there is none. */
  release: number | undefined;
  base: string;
}

/** The version that an address names. */
export function versionAt(pathname: string, app: string, release: string | undefined): Version {
  if (pathname.startsWith('/draft/')) {
    return { app, as: 'REVIEWER', release: undefined, base: `/draft/${app}` };
  }
  return release === undefined
    ? { app, as: 'VISITOR', release: undefined, base: `/open/${app}` }
    : { app, as: 'VISITOR', release: Number(release), base: `/release/${release}/${app}` };
}

export function useVersion(): Version {
  const { app = '', release } = useParams();
  return versionAt(useLocation().pathname, app, release);
}

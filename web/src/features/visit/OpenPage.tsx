import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import type { Leads, OpenApp } from '@/api/client';
import { openQuery } from '@/api/queries';
import { Problem } from '@/ui/Problem';
import { ReplayNote } from '@/ui/ReplayNote';
import { Waiting } from '@/ui/Waiting';
import { DrawnPage } from '@/parts/DrawnPage';
import { useRun } from '@/parts/useRun';
import { AskBeforeLeaving } from './AskBeforeLeaving';
import { useVersion, type Version } from './version';
import { VisitFrame } from './VisitFrame';

/** What the browser's history keeps of a page: never in its address, which people hand on. */
interface Left {
  run: string;
  seen: boolean;
}

function Finished(props: { view: OpenApp; page: string; version: Version }) {
  const { view, page, version } = props;
  const navigate = useNavigate();
  const location = useLocation();
  const [search] = useSearchParams();
  const left = location.state as Left | null;
  const leading = useRef(false);
  const lead = (leads: Leads) => {
    leading.current = leads.kind !== 'outside';
    switch (leads.kind) {
      case 'page': {
        const address = new URLSearchParams(leads.arguments).toString();
        void navigate(`${version.base}/${leads.page}${address && `?${address}`}`, {
          state: { run: leads.run, seen: false } satisfies Left,
        });
        return;
      }
      case 'back':
        if (leads.run) void navigate(-1);
        else void navigate(`${version.base}/${leads.page}`);
        return;
      case 'outside':
        window.open(leads.address, '_blank', 'noopener');
    }
  };
  const live = useRun({
    app: view.id,
    page,
    as: version.as,
    release: version.release,
    arguments: Object.fromEntries(search),
    run: left?.run,
    seen: left?.seen ?? false,
    onShown: (run) => {
      if (left?.run === run && left.seen) return;
      window.history.replaceState(
        { ...(window.history.state as object), usr: { run, seen: true } satisfies Left },
        '',
      );
    },
    onLead: lead,
  });
  const name = view.pages.find(({ id }) => id === page)?.name ?? '';
  useEffect(() => {
    document.title = `${name} – ${view.name}`;
  }, [name, view.name]);
  return (
    <>
      <AskBeforeLeaving unsent={live.unsent} leads={leading} />
      {live.error && <Problem error={live.error} onRetry={live.again} />}
      {!live.run && !live.error && <Waiting what="Opening the page" />}
      {live.run && <ReplayNote services={live.run.replayed} />}
      {live.run && (
        <DrawnPage
          page={live.run.page}
          use={{ ...live.use, picked: undefined, onPick: undefined }}
        />
      )}
    </>
  );
}

/** A page as end users see it: no frame, no working parts, from 360 px. */
export function OpenPage() {
  const { page = '' } = useParams();
  const version = useVersion();
  const { key } = useLocation();
  const { data, error, refetch } = useQuery(openQuery(version));
  const there = data?.pages.some(({ id }) => id === page);
  return (
    <VisitFrame version={version} view={data} page={page}>
      {error && <Problem error={error} onRetry={() => void refetch()} />}
      {!data && !error && <Waiting what="Opening the page" />}
      {data && there && (
        <Finished key={`${page} ${key}`} view={data} page={page} version={version} />
      )}
      {data && !there && <p>This page is not here any more. Choose another one above.</p>}
    </VisitFrame>
  );
}

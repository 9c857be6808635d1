import { lazy, type RefObject, Suspense, useEffect, useState } from 'react';
import { useNavigate } from 'react-router';

const LeaveDialog = lazy(() => import('./LeaveDialog'));

interface Props {
  /** Whether something was typed that no button has sent yet. */
  unsent: boolean;
  /** Whether the page itself leads away: then nothing is lost. */
  leads: RefObject<boolean>;
}

/** The address of a link within these pages that a press would follow. */
function followed(event: MouseEvent): URL | undefined {
  if (event.button !== 0 || event.ctrlKey || event.metaKey || event.shiftKey) return undefined;
  const link = event.target instanceof Element ? event.target.closest('a') : null;
  if (!link?.href || link.target || link.hasAttribute('download')) return undefined;
  const to = new URL(link.href);
  return to.origin === window.location.origin ? to : undefined;
}

/** Asks whoever is about to leave a page with something typed in it. */
export function AskBeforeLeaving({ unsent, leads }: Props) {
  const navigate = useNavigate();
  const [leave, setLeave] = useState<() => void>();
  useEffect(() => {
    if (!unsent) return;
    const onUnload = (event: BeforeUnloadEvent) => {
      event.preventDefault();
    };
    const onPress = (event: MouseEvent) => {
      const to = followed(event);
      if (!to) return;
      event.preventDefault();
      event.stopPropagation();
      setLeave(() => () => void navigate(to.pathname + to.search));
    };
    // Going back and forth; browsers without this let people go.
    const onGoing = (event: NavigateEvent) => {
      if (event.navigationType !== 'traverse' || !event.cancelable || leads.current) return;
      event.preventDefault();
      const { key } = event.destination;
      setLeave(() => () => {
        leads.current = true;
        window.navigation.traverseTo(key);
      });
    };
    const going = 'navigation' in window ? window.navigation : undefined;
    window.addEventListener('beforeunload', onUnload);
    document.addEventListener('click', onPress, { capture: true });
    going?.addEventListener('navigate', onGoing);
    return () => {
      window.removeEventListener('beforeunload', onUnload);
      document.removeEventListener('click', onPress, { capture: true });
      going?.removeEventListener('navigate', onGoing);
    };
  }, [unsent, leads, navigate]);
  if (!leave) return null;
  return (
    <Suspense>
      <LeaveDialog
        onStay={() => {
          setLeave(undefined);
        }}
        onLeave={() => {
          setLeave(undefined);
          leave();
        }}
      />
    </Suspense>
  );
}

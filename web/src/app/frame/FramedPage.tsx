import { Outlet } from 'react-router';
import { Frame } from './Frame';

/** A place of the program, with everything around it. */
export function FramedPage() {
  return (
    <Frame>
      <Outlet />
    </Frame>
  );
}

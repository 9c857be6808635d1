import { BrowserRouter, Route, Routes } from 'react-router';
import { Broken } from '@/features/visit/Broken';
import { Nowhere } from '@/features/visit/Nowhere';
import { OpenPage } from '@/features/visit/OpenPage';
import { StartOfAll } from '@/features/visit/StartOfAll';
import { StartOfApp } from '@/features/visit/StartOfApp';

/** The program of visitors: finished pages and the start pages that lead to them, nothing else. */
export function VisitApp() {
  return (
    <Broken>
      <BrowserRouter>
        <Routes>
          <Route path="/open" element={<StartOfAll />} />
          {['/open/:app', '/draft/:app', '/release/:release/:app'].map((base) => (
            <Route key={base} path={base}>
              <Route index element={<StartOfApp />} />
              <Route path=":page" element={<OpenPage />} />
            </Route>
          ))}
          <Route path="*" element={<Nowhere />} />
        </Routes>
      </BrowserRouter>
    </Broken>
  );
}

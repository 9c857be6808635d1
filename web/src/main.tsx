import '@fontsource-variable/source-sans-3';
import '@fontsource/source-code-pro/400.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from '@/app/App';
import '@/app/base.css';

const root = document.getElementById('root');
if (!root) throw new Error('The page has no root element.');
createRoot(root).render(
  <StrictMode>
    <App />
  </StrictMode>,
);

import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from 'react-router/dom';
import '@fontsource-variable/archivo/standard.css';
import 'bootstrap/dist/css/bootstrap.min.css';
import './styles/tokens.css';
import './styles/base.css';
import './styles/print.css';
import { preloadRack, queryClient } from './data/queries.ts';
import { NoticeProvider } from './parts/notices.tsx';
import { followTheme } from './parts/theme.ts';
import { router } from './router.tsx';

followTheme();

// The Rack is the first screen of most visits: its cards are on their way while the page is put together.
if (window.location.pathname === '/') void preloadRack();

/** How long the first picture waits for its typeface, ms: beyond it a page in another is better than none. */
const TYPEFACE_MS = 1000;

function render(): void {
  const root = document.getElementById('root');
  if (!root) throw new Error('The page has no #root.');
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queryClient}>
        <NoticeProvider>
          <RouterProvider router={router} />
        </NoticeProvider>
      </QueryClientProvider>
    </StrictMode>,
  );
}

// Text that is laid out anew when its typeface comes moves what is being clicked.
void Promise.race([
  document.fonts.load("1em 'Archivo Variable'"),
  new Promise((resolve) => setTimeout(resolve, TYPEFACE_MS)),
]).then(render, render);

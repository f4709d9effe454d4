import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { Tooltip } from 'radix-ui';
import { type CSSProperties, StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Navigate, type RouteObject, RouterProvider, createBrowserRouter } from 'react-router';
import { Toaster } from 'sonner';
import './app.css';
import { openStore } from './persist/memory';
import { PageError, Root } from './routes/root';
import { ShelfPage } from './routes/shelf';
import { onComeBack } from './work/come-back';

// Everything is on this machine: being offline must not pause anything.
const queries = new QueryClient({
  defaultOptions: { queries: { networkMode: 'always', refetchOnWindowFocus: false, retry: false } },
});

// What was answered while a picture was missing is asked again once it is there.
onComeBack(() => void queries.invalidateQueries());

// The Shelf comes with the page; each step is fetched when it is first opened.
const pages: RouteObject[] = [
  { index: true, element: <ShelfPage /> },
  {
    path: 'title/:id',
    lazy: async () => ({ Component: (await import('./routes/title')).TitlePage }),
    children: [
      { index: true, element: <Navigate to="front" replace /> },
      { path: 'brief', lazy: async () => ({ Component: (await import('./routes/brief')).BriefPage }) },
      { path: 'sketches', lazy: async () => ({ Component: (await import('./routes/sketches')).SketchesPage }) },
      { path: 'front', lazy: async () => ({ Component: (await import('./routes/front')).FrontPage }) },
      { path: 'glance', lazy: async () => ({ Component: (await import('./routes/glance')).GlancePage }) },
      { path: 'mockups', lazy: async () => ({ Component: (await import('./routes/mockups')).MockupsPage }) },
      {
        path: 'mockups/photograph',
        lazy: async () => ({ Component: (await import('./routes/photograph')).PhotographPage }),
      },
      { path: 'promos', lazy: async () => ({ Component: (await import('./routes/promos')).PromosPage }) },
      { path: 'promos/:campaign', lazy: async () => ({ Component: (await import('./routes/promos')).PromosPage }) },
      {
        path: 'promos/:campaign/:format',
        lazy: async () => ({ Component: (await import('./routes/promo')).PromoPage }),
      },
      { path: 'booklet', lazy: async () => ({ Component: (await import('./routes/booklet')).BookletPage }) },
      { path: 'deliver', lazy: async () => ({ Component: (await import('./routes/deliver')).DeliverPage }) },
      { path: 'deliver/stores', lazy: async () => ({ Component: (await import('./routes/stores')).StoresPage }) },
      { path: 'deliver/check', lazy: async () => ({ Component: (await import('./routes/check')).CheckPage }) },
      { path: 'deliver/reader', lazy: async () => ({ Component: (await import('./routes/reader')).ReaderPage }) },
    ],
  },
  { path: 'house', lazy: async () => ({ Component: (await import('./routes/house')).HousePage }) },
  { path: 'series/:name', lazy: async () => ({ Component: (await import('./routes/series')).SeriesPage }) },
  { path: '*', element: <Navigate to="/" replace /> },
];

const router = createBrowserRouter([
  { path: '/', element: <Root />, errorElement: <PageError />, HydrateFallback: () => null, children: pages },
]);

const root = document.getElementById('root');
if (!root) throw new Error('no root element');
// Where titles are kept is settled before anything reads one.
await openStore();
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <Tooltip.Provider delayDuration={300}>
        <RouterProvider router={router} />
        <Toaster
          position="top-right"
          // Where the page leaves room for it (app.css): it covers nothing that is pressed next.
          offset={{ top: 'var(--said-top)', right: 'var(--said-right)' }}
          visibleToasts={3}
          style={{ '--width': 'var(--said-width)' } as CSSProperties}
          toastOptions={{ className: 'font-sans', style: { padding: '8px 14px' } }}
        />
      </Tooltip.Provider>
    </QueryClientProvider>
  </StrictMode>,
);

import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { Tooltip } from 'radix-ui';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Navigate, RouterProvider, createBrowserRouter } from 'react-router';
import { Toaster } from 'sonner';
import './app.css';
import { BriefPage } from './routes/brief';
import { DeliverPage } from './routes/deliver';
import { FrontPage } from './routes/front';
import { GlancePage } from './routes/glance';
import { MockupsPage } from './routes/mockups';
import { PromosPage } from './routes/promos';
import { ShelfPage } from './routes/shelf';
import { TitlePage } from './routes/title';

// Everything is on this machine: being offline must not pause anything.
const queries = new QueryClient({
  defaultOptions: { queries: { networkMode: 'always', refetchOnWindowFocus: false, retry: false } },
});

const router = createBrowserRouter([
  { path: '/', element: <ShelfPage /> },
  {
    path: '/title/:id',
    element: <TitlePage />,
    children: [
      { index: true, element: <Navigate to="front" replace /> },
      { path: 'brief', element: <BriefPage /> },
      { path: 'front', element: <FrontPage /> },
      { path: 'glance', element: <GlancePage /> },
      { path: 'mockups', element: <MockupsPage /> },
      { path: 'promos', element: <PromosPage /> },
      { path: 'deliver', element: <DeliverPage /> },
    ],
  },
  { path: '*', element: <Navigate to="/" replace /> },
]);

const root = document.getElementById('root');
if (!root) throw new Error('no root element');
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <Tooltip.Provider delayDuration={300}>
        <RouterProvider router={router} />
        <Toaster position="bottom-left" visibleToasts={3} toastOptions={{ className: 'font-sans' }} />
      </Tooltip.Provider>
    </QueryClientProvider>
  </StrictMode>,
);

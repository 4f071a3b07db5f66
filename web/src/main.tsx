import { useState } from 'react';
import { createRoot } from 'react-dom/client';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { createBrowserRouter, Outlet, RouterProvider } from 'react-router';
import '@fontsource/source-serif-4/latin-400.css';
import '@fontsource/source-serif-4/latin-400-italic.css';
import '@fontsource/source-serif-4/latin-600.css';
import '@fontsource/work-sans/latin-400.css';
import '@fontsource/work-sans/latin-500.css';
import '@fontsource/work-sans/latin-600.css';
import './styles.css';
import { useServerEvents } from './api/events';
import { unanswered } from './api/line';
import { ShelfSheetPage } from './deliver/ShelfSheetPage';
import { OutboxPage } from './outbox/OutboxPage';
import { QueuePage } from './queue/QueuePage';
import { ShelfPage } from './shelf/ShelfPage';
import { SignInAgain } from './team/SignInAgain';
import { TeamPage } from './team/TeamPage';
import { Broken } from './ui/Broken';
import { EpisodePage } from './workbench/EpisodePage';

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // Whoever is out of reach for the moment is asked until there is an answer.
      retry: (failures, error) => unanswered(error) || failures < 2,
      retryDelay: 1_000,
      staleTime: 5_000,
      refetchOnWindowFocus: false,
    },
  },
});

/** All pages listen on one line, so that nothing is missed between one page and the next. */
function Listening() {
  const [line, setLine] = useState(0);
  useServerEvents(line);
  return (
    <>
      <Outlet />
      <SignInAgain onSignedIn={() => setLine(line + 1)} />
    </>
  );
}

const router = createBrowserRouter([
  {
    element: <Listening />,
    children: [
      { path: '/', element: <ShelfPage />, errorElement: <Broken /> },
      { path: '/sheet', element: <ShelfSheetPage />, errorElement: <Broken /> },
      { path: '/outbox', element: <OutboxPage />, errorElement: <Broken /> },
      { path: '/team', element: <TeamPage />, errorElement: <Broken /> },
      { path: '/queue', element: <QueuePage />, errorElement: <Broken /> },
      { path: '/episodes/:id/:stage?', element: <EpisodePage />, errorElement: <Broken /> },
    ],
  },
]);

createRoot(document.getElementById('root')!).render(
  <QueryClientProvider client={queries}>
    <RouterProvider router={router} />
  </QueryClientProvider>,
);

import { createRoot } from 'react-dom/client';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { createBrowserRouter, RouterProvider } from 'react-router';
import '@fontsource/source-serif-4/latin-400.css';
import '@fontsource/source-serif-4/latin-400-italic.css';
import '@fontsource/source-serif-4/latin-600.css';
import '@fontsource/work-sans/latin-400.css';
import '@fontsource/work-sans/latin-500.css';
import '@fontsource/work-sans/latin-600.css';
import './styles.css';
import { unanswered } from './api/line';
import { ShelfPage } from './shelf/ShelfPage';
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

const router = createBrowserRouter([
  { path: '/', element: <ShelfPage /> },
  { path: '/episodes/:id/:stage?', element: <EpisodePage /> },
]);

createRoot(document.getElementById('root')!).render(
  <QueryClientProvider client={queries}>
    <RouterProvider router={router} />
  </QueryClientProvider>,
);

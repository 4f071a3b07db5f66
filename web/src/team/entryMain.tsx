import { createRoot } from 'react-dom/client';
import '@fontsource/source-serif-4/latin-600.css';
import '@fontsource/work-sans/latin-400.css';
import '@fontsource/work-sans/latin-500.css';
import '@fontsource/work-sans/latin-600.css';
import '../styles.css';
import { SignInPage } from './SignInPage';
import { WelcomePage } from './WelcomePage';

const [page, token] = location.pathname.split('/').filter(Boolean);

createRoot(document.getElementById('root')!).render(
  page === 'welcome' && token ? <WelcomePage token={token} /> : <SignInPage />,
);

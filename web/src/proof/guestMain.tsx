import { createRoot } from 'react-dom/client';
import '@fontsource/source-serif-4/latin-400.css';
import '@fontsource/source-serif-4/latin-600.css';
import '@fontsource/work-sans/latin-400.css';
import '@fontsource/work-sans/latin-500.css';
import '@fontsource/work-sans/latin-600.css';
import '../styles.css';
import { GuestPage } from './GuestPage';

const token = location.pathname.split('/').filter(Boolean)[1] ?? '';

/** A producer who looks at a link is not the guest, whose last look it leaves as it is. */
const isProducer = new URLSearchParams(location.search).has('producer');

createRoot(document.getElementById('root')!).render(<GuestPage token={token} noted={!isProducer} />);

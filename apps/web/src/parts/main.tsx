import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import '../app/theme.css';
import { Parts } from './Parts.js';

// Each part of the interface in its states, to be looked at while one works on them: `./glen parts`. It is not shipped.
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <BrowserRouter>
      <Parts />
    </BrowserRouter>
  </StrictMode>,
);

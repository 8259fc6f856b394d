import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { Toaster } from 'sonner';
import { startLive } from './app/live.js';
import { App } from './app/routes.js';
import './ui/pageNonce.js';
import { ServerGone } from './app/ServerGone.js';
import { store } from './app/store.js';
import './app/theme.css';

/** Below the places, in pixels. */
const UNDER_THE_BAR = { top: 56 };

startLive();
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={store}>
      <App />
      <ServerGone />
      <Toaster
        theme="system"
        // Over the day's line: anywhere lower it would stand on the button that acts, at the end of a long form.
        position="top-center"
        offset={UNDER_THE_BAR}
        mobileOffset={UNDER_THE_BAR}
        toastOptions={{
          classNames: {
            toast: '!bg-bar !text-bar-ink !border-bar !font-sans',
            actionButton: '!bg-bar-ink !text-bar',
          },
        }}
      />
    </Provider>
  </StrictMode>,
);

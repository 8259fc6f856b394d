import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { Toaster } from 'sonner';
import { startLive } from './app/live.js';
import { App } from './app/routes.js';
import { store } from './app/store.js';
import './app/theme.css';

startLive();
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={store}>
      <App />
      <Toaster
        theme="system"
        position="bottom-left"
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

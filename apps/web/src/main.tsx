import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { startLive } from './app/live.js';
import { App } from './app/routes.js';
import './ui/pageNonce.js';
import { Toasts } from './app/Toasts.js';
import { ServerGone } from './app/ServerGone.js';
import { store } from './app/store.js';
import './app/theme.css';

startLive();
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={store}>
      <App />
      <ServerGone />
      <Toasts />
    </Provider>
  </StrictMode>,
);

import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from '@tanstack/react-router';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Problem } from '@/api/client';
import { lazily } from '@/components/lazily';
import { router } from './router';
import { storage } from '@/offline/storage';

const Toasts = lazily(() => import('@/toast/Toasts'), 'Toasts');

const client = new QueryClient({
    defaultOptions: {
        queries: {
            staleTime: 30_000,
            // Without a network what was read last is told by public/sw.js.
            networkMode: 'offlineFirst',
            // A refusal stays one however often it is asked; only a lost connection is worth another try.
            retry: (count, error) => count < 2 && (!(error instanceof Problem) || error.status === 0),
        },
    },
});

const theme = storage.getItem('rota.theme');
if (theme !== null) document.documentElement.dataset.theme = theme;

const element = document.getElementById('application');
if (element !== null) {
    createRoot(element).render(
        <StrictMode>
            <QueryClientProvider client={client}>
                <RouterProvider router={router} />
                <Toasts />
            </QueryClientProvider>
        </StrictMode>,
    );
}

import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from '@tanstack/react-router';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Toaster } from 'sonner';
import { Problem } from '@/api/client';
import { router } from '@/app/router';
import '../css/app.css';

const client = new QueryClient({
    defaultOptions: {
        queries: {
            staleTime: 30_000,
            // A refusal stays one however often it is asked; only a lost connection is worth another try.
            retry: (count, error) => count < 2 && (!(error instanceof Problem) || error.status === 0),
        },
    },
});

const theme = localStorage.getItem('rota.theme');
if (theme !== null) document.documentElement.dataset.theme = theme;

const element = document.getElementById('application');
if (element !== null) {
    createRoot(element).render(
        <StrictMode>
            <QueryClientProvider client={client}>
                <RouterProvider router={router} />
                <Toaster
                    position="bottom-center"
                    offset={{ bottom: 20 }}
                    mobileOffset={{ bottom: 70 }}
                    toastOptions={{
                        unstyled: true,
                        duration: 8000,
                        classNames: {
                            toast: 'flex w-full items-center gap-3 border border-ink bg-ink text-paper px-3.5 py-2.5 shadow-(--shadow) text-[13px]',
                            description: 'opacity-80',
                            actionButton: 'ml-auto shrink-0 cursor-pointer border border-current px-2 py-0.5 font-semibold',
                            error: '!bg-sheet !text-ink !border-pin border-l-4',
                        },
                    }}
                />
            </QueryClientProvider>
        </StrictMode>,
    );
}

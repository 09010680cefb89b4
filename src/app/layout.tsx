import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { Toaster } from 'sonner';
import './globals.css';

// every page carries a fresh nonce for its scripts, so none is built ahead
export const dynamic = 'force-dynamic';

export const metadata: Metadata = { title: { default: 'Even Crumb', template: '%s · Even Crumb' }, description: 'The bench book of a breakfast cook.' };
export const viewport: Viewport = { width: 'device-width', initialScale: 1, colorScheme: 'light', themeColor: '#f3f6fa' };

export default function Layout({ children }: { readonly children: ReactNode }) {
  return (
    <html lang="en-GB">
      <body>
        {children}
        <Toaster
          position="bottom-center"
          toastOptions={{ unstyled: true, className: 'hold flex w-full items-center gap-3 px-4 py-3 text-[15px] font-semibold shadow-lg print:hidden' }}
        />
      </body>
    </html>
  );
}

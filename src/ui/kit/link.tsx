import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A way to another page of the app. The page is fetched when the cook asks for it: fetched ahead, as `next/link` does
 * by itself, a page of forty links asks the kitchen's server forty times for pages that nobody opens.
 */
export const Link = (props: ComponentProps<typeof NextLink>) => <NextLink prefetch={false} {...props} />;

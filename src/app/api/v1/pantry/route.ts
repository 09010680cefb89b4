import { listPantry } from '@/server/api/kitchen';

/** Every ingredient with its stock: `?after=` the next page. */
export const GET = (request: Request): Promise<Response> => listPantry(new URL(request.url).searchParams);

import { listBatches } from '@/server/api/kitchen';

/** The log, the newest first: `?find=` words, `?after=` the next page. */
export const GET = (request: Request): Promise<Response> => listBatches(new URL(request.url).searchParams);

import { problem } from '@/server/api/problem';

const none = (request: Request): Response =>
  problem(404, `There is nothing at ${new URL(request.url).pathname}. GET /api/v1/openapi.json lists the calls.`);

export { none as DELETE, none as GET, none as PATCH, none as POST, none as PUT };

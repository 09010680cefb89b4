import { openapi } from '@/server/api/openapi';
import { json } from '@/server/api/problem';

export const dynamic = 'force-dynamic';

export const GET = (): Response => json(openapi());

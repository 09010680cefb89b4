import { openapi } from '@/server/openapi';
import { json } from '@/server/problem';

export const dynamic = 'force-dynamic';

export const GET = (): Response => json(openapi());

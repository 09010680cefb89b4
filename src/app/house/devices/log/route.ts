import { tableAsked } from '@/server/api/tables';
import { DOOR_TABLES } from '@/server/usecases/tables-out';

/** `?what=door` as comma-separated values: what was done on the devices, and by whom. */
export const GET = (request: Request): Promise<Response> => tableAsked(request, DOOR_TABLES);

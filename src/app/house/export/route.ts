import { tableAsked } from '@/server/api/tables';
import { HOUSE_TABLES } from '@/server/usecases/tables-out';

/** `?what=measures|sides|premixes|lots` as comma-separated values. */
export const GET = (request: Request): Promise<Response> => tableAsked(request, HOUSE_TABLES);

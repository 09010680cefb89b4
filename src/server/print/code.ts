/** A code as a picture for paper. */
import bwipjs from 'bwip-js/node';
import { codeKind } from '@/core/premix/code';

/** @returns a PNG as a data address; null where there is no code */
export async function codePicture(code: string): Promise<string | null> {
  if (code === '') return null;
  const bcid = codeKind(code);
  const png = await bwipjs.toBuffer({
    bcid,
    text: code,
    scale: 3,
    ...(bcid === 'qrcode' ? {} : { height: 11, includetext: true, textxalign: 'center' as const }),
  });
  return `data:image/png;base64,${png.toString('base64')}`;
}

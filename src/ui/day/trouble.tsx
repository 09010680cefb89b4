import { CloudOff } from 'lucide-react';
import { Notice } from '../kit/notice';

/** The records are away: what is done meanwhile is kept. */
export const Trouble = ({ text }: { readonly text: string | null }) =>
  text === null ? null : (
    <Notice weight="look" role="status">
      <CloudOff size={18} aria-hidden className="mr-1 inline" />
      {text}
    </Notice>
  );

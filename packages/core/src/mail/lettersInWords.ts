import { counted } from '../margin/counted.js';

/** What has become of the letters of a post. */
interface Letters {
  sent: number;
  waiting: number;
  refused: readonly unknown[];
  /** Read in Glen alone, as they wish, or as nothing reaches them. */
  glen: number;
}

/** `22 letters sent, 1 on the way, 1 refused; 3 read it in Glen alone` */
export function lettersInWords({ sent, waiting, refused, glen }: Letters): string {
  const parts = [
    `${counted(sent, 'letter', 'letters')} sent`,
    waiting > 0 && `${waiting} on the way`,
    refused.length > 0 && `${refused.length} refused`,
  ].filter(Boolean);
  const inGlen = glen > 0 ? `; ${counted(glen, 'reads', 'read')} it in Glen alone` : '';
  return `${parts.join(', ')}${inGlen}`;
}

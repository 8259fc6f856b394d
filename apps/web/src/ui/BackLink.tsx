import { Link } from 'react-router';
import * as say from './words.js';

/** The way back from a page that belongs to no place of the frame. */
export const BackLink = () => (
  <p className="mb-1 print:hidden">
    <Link className="text-bracken-deep underline-offset-3 hover:underline" to="/">
      {say.back}
    </Link>
  </p>
);

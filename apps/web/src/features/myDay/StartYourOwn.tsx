import { Said } from '../../ui/Said.js';
import * as say from './words.js';
/** Where the school is made up: how to begin with one's own. */
export const StartYourOwn = () => (
  <section className="mt-5 border-t border-line pt-4 text-md text-soft">
    <h3 className="font-sans text-md font-bold text-ink">{say.startYourOwn}</h3>
    <p>
      <Said
        as={say.everyoneHereIsMadeUp}
        code={(text) => <code className="font-mono">{text}</code>}
      />
    </p>
  </section>
);

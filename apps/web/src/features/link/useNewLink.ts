import { useNavigate } from 'react-router';
import type { ClassItem, LinkDetail } from '@glen/contract';
import { api } from '../../app/api.js';
import { offerWayBack } from '../../app/undo.js';
import { wayBack } from '../../app/wayBack.js';
import { useServerForm } from '../../app/useServerForm.js';
import { forClass, hostedAlone, type AudienceDraft } from './audienceDraft.js';
import { PURPOSES } from './noted.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** Stands among the purposes for words of one's own. */
export const OWN_WORDS = 'own';

interface Draft {
  purpose: string;
  /** What it is for in the teacher's words, where no known purpose fits. */
  words: string;
  label: string;
  /** The name follows the purpose until somebody types one. */
  isOwnLabel: boolean;
  shown: boolean;
  audience: AudienceDraft;
}

const knownAs = (purpose: string) => PURPOSES.find((p) => p.words === purpose);

/** Whom a purpose's link is for at first, and who hosts it: a one-to-one is its teacher's alone. */
function audienceFor(purpose: string, classId: number, me: number): AudienceDraft {
  const everybody = forClass(classId);
  if (purpose === say.lessons) return everybody;
  const nobody = { ...everybody, classIds: [] };
  return knownAs(purpose)?.kind === 'one-to-one' ? hostedAlone(nobody, me) : nobody;
}

function beginning(start: string, classId: number, me: number): Draft {
  return {
    purpose: start,
    words: '',
    label: start,
    isOwnLabel: false,
    shown: true,
    audience: audienceFor(start, classId, me),
  };
}

function bodyOf({ purpose, words, label, shown, audience }: Draft) {
  const known = knownAs(purpose);
  return {
    label,
    purpose: known ? known.words : words,
    kind: known?.kind ?? ('lesson' as const),
    shown,
    audience,
    ...(known ? { preset: known.preset } : {}),
  };
}

const IN_AUDIENCE = ['classIds', 'groupIds', 'personIds', 'guests', 'hostIds', 'hostedBy'];

/** Whom it is for is one part of the sentence; the purpose can be wrong only where it is in one's own words. */
function fieldOf(path: string): string {
  if (path === 'purpose') return 'words';
  return IN_AUDIENCE.includes(path.split('.')[0]!) ? `audience.${path}` : path;
}

/** A link that is being thought of: its sentence's parts, and making it. */
export function useNewLink(classPeriod: ClassItem, start: string, me: number) {
  const navigate = useNavigate();
  const [add] = api.useAddLinkMutation();
  const params = { classId: classPeriod.id };
  const form = useServerForm<Draft, Draft, LinkDetail>({
    start: beginning(start, classPeriod.id, me),
    send: (draft) => add({ params, body: bodyOf(draft) }),
    fieldOf,
    keepAs: { name: `new link ${classPeriod.id} ${start}` },
    onDone: (made) => {
      const asked = { params: { linkId: made.id }, body: { version: made.version } };
      offerWayBack(fill(say.aNewLink, { made: made.label }), [wayBack('stopLink', asked)]);
      void navigate(`/classes/${classPeriod.id}/links/${made.id}`);
    },
  });
  const draft = form.watch();
  /** The name that goes with a purpose, unless there is one already. */
  const named = (label: string): Partial<Draft> => (draft.isOwnLabel ? {} : { label });
  return {
    ...form,
    me,
    draft,
    known: knownAs(draft.purpose),
    choosePurpose: (purpose: string): void => {
      // Who hosts it follows the purpose; whom it is for stays as chosen.
      const { hostedBy, hostIds } = audienceFor(purpose, classPeriod.id, me);
      form.change({
        purpose,
        audience: { ...draft.audience, hostedBy, hostIds },
        ...named(purpose === OWN_WORDS ? '' : purpose),
      });
    },
    writePurpose: (words: string): void => form.change({ words, ...named(words) }),
    writeLabel: (label: string): void => form.change({ label, isOwnLabel: true }),
  };
}

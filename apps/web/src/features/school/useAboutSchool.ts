import { useEffect, useRef } from 'react';
import type { Answer, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { useServerForm } from '../../app/useServerForm.js';

export type AboutSchool = Answer<'aboutSchool'>;
type Fields = Omit<Sent<'setAboutSchool'>, 'version'>;

const schema = async () => (await import('@glen/contract/forms')).aboutSchool;

const fieldsOf = ({ name, help, zone, classesBy }: AboutSchool): Fields => ({
  name,
  help,
  zone,
  classesBy,
});

/** What the school says of itself, while somebody edits it; with another zone, what that would do. */
export function useAboutSchool(kept: AboutSchool) {
  const [save] = api.useSetAboutSchoolMutation();
  // What the form was filled from: it is known by that version, and somebody else's change may be taken over.
  const read = useRef(kept);
  const form = useServerForm<Fields, Fields, AboutSchool>({
    start: fieldsOf(kept),
    schema,
    send: (sent) => save({ body: { ...sent, version: read.current.version } }),
    onDone: (saved) => {
      const before = fieldsOf(read.current);
      take(saved);
      offerUndo('It is changed.', async () =>
        take(await save({ body: { ...before, version: saved.version } }).unwrap()),
      );
    },
  });
  const { reset, clearErrors } = form;
  const { isDirty } = form.formState;
  const take = (from: AboutSchool): void => {
    read.current = from;
    reset(fieldsOf(from));
  };
  // As long as nothing has been typed here, somebody else's change is taken over.
  useEffect(() => {
    if (isDirty || kept.version === read.current.version) return;
    read.current = kept;
    reset(fieldsOf(kept));
  }, [kept, isDirty, reset]);

  const theirs = form.theirs as AboutSchool | undefined;
  return {
    ...form,
    isDirty,
    theirs,
    takeTheirs: () => {
      clearErrors();
      if (theirs) take(theirs);
    },
    saveOver: () => {
      if (theirs) read.current = theirs;
      form.submit();
    },
    notes: useZoneNotes(form.watch('zone'), kept.zone),
  };
}

/** What another zone than the one in use would do. */
function useZoneNotes(zone: string, now: string) {
  const [preview, { data }] = api.usePreviewZoneMutation();
  useEffect(() => {
    if (zone !== now) void preview({ body: { zone } });
  }, [zone, now, preview]);
  return zone === now ? [] : (data?.notes ?? []);
}

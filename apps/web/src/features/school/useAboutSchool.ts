import { useEffect } from 'react';
import type { Answer, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { useKeptForm } from '../../app/useKeptForm.js';

export type AboutSchool = Answer<'aboutSchool'>;
type Fields = Omit<Sent<'setAboutSchool'>, 'version'>;

const schema = async () => (await import('@glen/contract/forms')).aboutSchool;

const fieldsOf = ({ mayEdit: _, version: __, ...fields }: AboutSchool): Fields => fields;

/** What the school says of itself, while somebody edits it; with another zone, what that would do. */
export function useAboutSchool(kept: AboutSchool) {
  const [save] = api.useSetAboutSchoolMutation();
  const form = useKeptForm<AboutSchool, Fields, Fields>({
    kept,
    keepAs: 'school',
    fieldsOf,
    schema,
    save: (sent, version) => save({ body: { ...sent, version } }),
  });
  return { ...form, notes: useZoneNotes(form.watch('zone'), kept.zone) };
}

/** What another zone than the one in use would do. */
function useZoneNotes(zone: string, now: string) {
  const [preview, { data, originalArgs }] = api.usePreviewZoneMutation();
  useEffect(() => {
    if (zone !== now) void preview({ body: { zone } });
  }, [zone, now, preview]);
  // What was said of another zone is not shown beside this one.
  return zone !== now && originalArgs?.body.zone === zone ? (data?.notes ?? []) : [];
}

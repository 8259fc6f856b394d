import { useEffect, useRef, useState } from 'react';
import type { LinkDetail, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerWayBack } from '../../app/undo.js';
import { wayBack } from '../../app/wayBack.js';
import type { AudienceDraft, AudienceEdit } from './audienceDraft.js';
import * as say from './words.js';

const draftOf = (l: LinkDetail): AudienceDraft => ({
  classIds: l.audience.flatMap((a) => (a.kind === 'class' ? [a.id] : [])),
  groupIds: l.audience.flatMap((a) => (a.kind === 'group' ? [a.id] : [])),
  personIds: l.audience.flatMap((a) => (a.kind === 'person' ? [a.id] : [])),
  guests: l.audience.flatMap((a) =>
    a.kind === 'guest' ? [{ email: a.email, name: a.name, comes: a.comes }] : [],
  ),
  hostIds: l.hosts.map((h) => h.id),
  hostedBy: l.hostedBy,
});

type Words = Pick<LinkDetail, 'label' | 'purpose' | 'kind' | 'shown'>;

/** Changes what a link says of itself and whom it is for; each change is saved at once and can be taken back. */
export function useLinkEdits(link: LinkDetail) {
  const [edit] = api.useEditLinkMutation();
  const [setAudience] = api.useSetAudienceMutation();
  const [problem, setProblem] = useState<Problem>();
  const params = { linkId: link.id };
  const audience = draftOf(link);
  const body = (part: Partial<Words>): Words => ({
    label: link.label,
    purpose: link.purpose,
    kind: link.kind,
    shown: link.shown,
    ...part,
  });
  const change = async (part: Partial<Words>, done: string): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await edit({ params, body: { ...body(part), version: link.version } });
    if (!data) return setProblem(problemOf(error));
    const before = { ...body({}), version: data.version };
    offerWayBack(done, [wayBack('editLink', { params, body: before })]);
  };
  /** The newest state of the link that is known, and what is being saved: a quick hand names two, one after the other. */
  const newest = useRef(link);
  const saving = useRef<Promise<void>>(Promise.resolve());
  useEffect(() => {
    if (link.version > newest.current.version) newest.current = link;
  }, [link]);
  const saveAudience = async (edit: AudienceEdit): Promise<void> => {
    setProblem(undefined);
    const { version } = newest.current;
    const before = draftOf(newest.current);
    const { data, error } = await setAudience({ params, body: { ...edit(before), version } });
    if (!data) return setProblem(problemOf(error));
    newest.current = data;
    const body = { ...before, version: data.version };
    offerWayBack(say.itIsForOthersNow, [wayBack('setAudience', { params, body })]);
  };
  /** Changes whom it is for, by what it is for once all that was pressed before is saved. */
  const changeAudience = (edit: AudienceEdit): void => {
    saving.current = saving.current.then(() => saveAudience(edit));
  };
  return { problem, audience, change, changeAudience };
}

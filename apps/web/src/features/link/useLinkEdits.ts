import { useState } from 'react';
import type { LinkDetail, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import type { AudienceDraft } from './audienceDraft.js';

const draftOf = (l: LinkDetail): AudienceDraft => ({
  classIds: l.audience.flatMap((a) => (a.kind === 'class' ? [a.id] : [])),
  groupIds: l.audience.flatMap((a) => (a.kind === 'group' ? [a.id] : [])),
  personIds: l.audience.flatMap((a) => (a.kind === 'person' ? [a.id] : [])),
  emails: l.audience.flatMap((a) => (a.kind === 'guest' ? [a.email] : [])),
  hostIds: l.hosts.map((h) => h.id),
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
    offerUndo(done, () => edit({ params, body: { ...body({}), version: data.version } }).unwrap());
  };
  const changeAudience = async (next: AudienceDraft): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await setAudience({ params, body: { ...next, version: link.version } });
    if (!data) return setProblem(problemOf(error));
    offerUndo('Whom it is for is changed.', () =>
      setAudience({ params, body: { ...audience, version: data.version } }).unwrap(),
    );
  };
  return { problem, audience, change, changeAudience };
}

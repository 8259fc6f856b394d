import { useNavigate } from 'react-router';
import type { EntryRules, NoteAction } from '@glen/core';
import type { Sent } from '@glen/contract';
import { toast } from '../ui/toast.js';
import { api, problemOf } from './api.js';
import { store } from './store.js';
import { offerUndo } from './undo.js';
import { fill } from '../ui/fill.js';
import * as say from './words.js';

/** Sets rules on top of a class period's own, and offers to take them back. */
async function mendRules(classId: number, fix: Partial<EntryRules>, label: string): Promise<void> {
  const ask = { params: { classId } };
  const read = await store
    .dispatch(api.endpoints.rules.initiate(ask, { forceRefetch: true }))
    .unwrap();
  const own = read.layers.at(-1)!.rules;
  const set = (version: number, rules: typeof own) =>
    store.dispatch(api.endpoints.setRules.initiate({ ...ask, body: { version, rules } })).unwrap();
  const { version } = await set(read.version, { ...own, ...fix });
  offerUndo(fill(say.labelDone, { label }), () => set(version, own));
}

async function publish(seriesId: number): Promise<void> {
  const ask = { params: { seriesId } };
  const { session } = await store
    .dispatch(api.endpoints.session.initiate({ ...ask, query: {} }, { forceRefetch: true }))
    .unwrap();
  const body = { title: session.title, description: session.description, plan: session.plan };
  const set = (version: number, draft: boolean) =>
    store
      .dispatch(api.endpoints.editSession.initiate({ ...ask, body: { ...body, version, draft } }))
      .unwrap();
  const {
    session: { version },
  } = await set(session.version, false);
  offerUndo(fill(say.scheduledSession, { session: session.title }), () => set(version, true));
}

/** Lets anyone with a class period's link knock until its roll is filled, and offers to take that back. */
async function knockUntilRoll(classId: number): Promise<void> {
  const set = (on: boolean) =>
    store
      .dispatch(api.endpoints.knockUntilRoll.initiate({ params: { classId }, body: { on } }))
      .unwrap();
  await set(true);
  offerUndo(say.anyoneWithTheLinkKnocks, () => set(false));
}

/** One of the things that can be done where a link stands. */
const atPlace = (placementId: number, what: Sent<'placementAction'>['do']) =>
  store
    .dispatch(
      api.endpoints.placementAction.initiate({ params: { placementId }, body: { do: what } }),
    )
    .unwrap();

/** Does what a note of the margin offers, by the action's name. */
export function useNoteActions(): (action: NoteAction) => void {
  const navigate = useNavigate();
  const run = async ({ name, label, subject, rules, key }: NoteAction): Promise<void> => {
    switch (name) {
      case 'edit-session':
        return void navigate(`/plan/${subject}${key ? `?on=${key}` : ''}`);
      case 'go-to-desk':
        return void navigate(`/desk/${subject}`);
      case 'post-link':
        return void navigate(`/classes/${subject}/posts?new`);
      case 'set-rules':
        return mendRules(subject!, rules!, label);
      case 'knock-until-roll':
        return knockUntilRoll(subject!);
      case 'retry-post':
        return void (await store
          .dispatch(api.endpoints.retryPost.initiate({ params: { postId: subject! } }))
          .unwrap());
      case 'see-post':
        return void navigate(`/posts?show=${subject}`);
      case 'see-reach':
        return void navigate(`/posts/reach?link=${subject}&at=begins`);
      case 'put-back':
        await atPlace(subject!, 'put-back');
        return void toast(say.itIsOnItsWay);
      case 'take-down':
        await atPlace(subject!, 'take-down');
        return offerUndo(say.itIsBeingTakenDown, () => atPlace(subject!, 'put-back'));
      case 'hand-done': {
        const noteAs = (what: 'done' | 'not-done') => atPlace(subject!, what);
        await noteAs('done');
        return offerUndo(say.notedItIsDone, () => noteAs('not-done'));
      }
      case 'seen-notice':
        return void (await store
          .dispatch(api.endpoints.seenNotice.initiate({ params: { noticeId: subject! } }))
          .unwrap());
      case 'publish-session':
        return publish(subject!);
    }
  };
  return (action) =>
    void run(action).catch((error: unknown) =>
      toast.error(problemOf(error)?.title ?? say.thatDidNotWork),
    );
}

import type { Glen } from '../../glen.js';
import { STREAMED, type Handlers } from '../../http/mount.js';
import type { Who } from '../../http/who.js';
import { recordingFor, seenAtDoor } from './seen.js';
import { addThing, describeAfter, editThing, removeThing } from './things.js';

const asked = (seriesId: number, key: string, who: Who) => ({
  ...{ seriesId, key },
  personId: who.person!.id,
});

export const afterLessonRoutes = (glen: Glen) =>
  ({
    afterLesson: ({ params, query, who }) =>
      describeAfter(glen, asked(params.seriesId, query.on, who)),
    addAfterLesson: ({ params, body, who }) =>
      addThing(glen, asked(params.seriesId, body.on, who), body),
    editAfterLesson: ({ params, body, who }) =>
      editThing(glen, asked(params.seriesId, body.on, who), body),
    removeAfterLesson: ({ params, body, who }) =>
      removeThing(glen, asked(params.seriesId, body.on, who), body),
    doorAfterLessons: ({ params, token, from }) => seenAtDoor(glen, params.code, { token, from }),
    recording: async ({ params, token, res }) => {
      res.redirect(303, await recordingFor(glen, params.thingId, token));
      return STREAMED;
    },
  }) satisfies Partial<Handlers>;

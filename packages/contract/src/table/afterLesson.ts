import { z } from 'zod';
import {
  afterLessonAnswer,
  afterLessonBody,
  afterLessonEdit,
  doorAfterAnswer,
} from '../afterLessonSchemas.js';
import { date, id, idParam, version } from '../basics.js';
import { byCode, ofSeries } from '../params.js';
import type { EndpointName } from '../endpoints.js';
import type { Shapes } from './shapes.js';

const onDate = z.object({ on: date });

/** What is there after a lesson. */
export const afterLesson = {
  afterLesson: { params: ofSeries, query: onDate, answer: afterLessonAnswer },
  addAfterLesson: { params: ofSeries, body: afterLessonBody, answer: afterLessonAnswer },
  editAfterLesson: {
    params: ofSeries,
    body: afterLessonEdit.extend({ on: date }),
    answer: afterLessonAnswer,
  },
  removeAfterLesson: {
    params: ofSeries,
    body: z.object({ on: date, id, version }),
    answer: afterLessonAnswer,
  },
  doorAfterLessons: { params: byCode, answer: doorAfterAnswer },
  recording: { params: z.object({ thingId: idParam }), answer: z.null() },
} satisfies Partial<Record<EndpointName, Shapes>>;

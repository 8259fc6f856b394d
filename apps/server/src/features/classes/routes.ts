import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { copyClass } from './copyClass.js';
import { editClass } from './editClass.js';
import { makeClass } from './makeClass.js';
import { makePasswordAddresses } from './passwordAddresses.js';
import { bringBackClass, putAwayClass, putAwayFacts } from './putAway.js';
import { setStaff } from './staff.js';
import {
  bringBackToRoll,
  moveOnRoll,
  takeOffRoll,
  touchedByLeaving,
  whoLeft,
} from './leaveRoll.js';
import { addToRoll, previewRoll } from './roll.js';
import { setKnockUntilRoll } from './untilRoll.js';

export const classRoutes = (glen: Glen) =>
  ({
    addClass: ({ body, who }) => makeClass(glen, who, body),
    editClass: ({ params, body, who }) => editClass(glen, params.classId, who, body),
    copyClass: ({ params, body, who }) => copyClass(glen, params.classId, who, body),
    putAwayFacts: ({ params }) => putAwayFacts(glen, params.classId),
    putAwayClass: ({ params, body, who }) => putAwayClass(glen, params.classId, who, body.version),
    bringBackClass: ({ params, body, who }) =>
      bringBackClass(glen, params.classId, who, body.version),
    knockUntilRoll: ({ params, body, who }) =>
      setKnockUntilRoll(glen, params.classId, who.person!.id, body),
    setStaff: ({ params, body, who }) => setStaff(glen, params.classId, who, body),
    previewRoll: ({ params, body }) => previewRoll(glen, params.classId, body),
    addToRoll: ({ params, body, who }) => addToRoll(glen, params.classId, who.person!.id, body),
    takeOffRoll: ({ params, body, who }) => takeOffRoll(glen, params.classId, who.person!.id, body),
    rollTouched: ({ params, query }) => touchedByLeaving(glen, params.classId, query.personId),
    rollLeft: ({ params }) => whoLeft(glen, params.classId),
    bringBackToRoll: ({ params, body, who }) =>
      bringBackToRoll(glen, params.classId, who.person!.id, body),
    moveOnRoll: ({ params, body, who }) => moveOnRoll(glen, params.classId, who, body),
    passwordAddresses: ({ params, body, who }) =>
      makePasswordAddresses(glen, params.classId, who, body),
  }) satisfies Partial<Handlers>;

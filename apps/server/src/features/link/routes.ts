import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { describeLink, linksFor, linksOfClass } from './describe.js';
import { addLink, editLink, orderLinks, reopenLink, stopLink } from './edit.js';
import { addPresenter, removePresenter } from './presenters.js';
import { presentingIn } from './presenting.js';
import { lookAtRoom, replaceLink, setRoom, takeBackReplacing } from './replace.js';
import { shareLink, unshareLink } from './share.js';

export const linkRoutes = (glen: Glen) =>
  ({
    links: ({ who }) => linksFor(glen, who),
    classLinks: ({ params, who }) => linksOfClass(glen, params.classId, who),
    link: ({ params, who }) => describeLink(glen, params.linkId, who),
    addLink: ({ params, body, who }) => addLink(glen, params.classId, who, body),
    editLink: ({ params, body, who }) => editLink(glen, params.linkId, who, body),
    orderLinks: async ({ params, body, who }) => {
      await orderLinks(glen, params.classId, who.person!.id, body.order);
      return { ok: true };
    },
    replaceLink: ({ params, body, who }) => replaceLink(glen, params.linkId, who, body),
    takeBackReplacing: ({ params, body, who }) =>
      takeBackReplacing(glen, params.linkId, who, body.version),
    stopLink: ({ params, body, who }) => stopLink(glen, params.linkId, who, body.version),
    reopenLink: ({ params, body, who }) => reopenLink(glen, params.linkId, who, body.version),
    lookAtRoom: ({ params, body, who }) => lookAtRoom(glen, params.linkId, who, body),
    setRoom: ({ params, body, who }) => setRoom(glen, params.linkId, who, body),
    shareLink: ({ params, body, who }) => shareLink(glen, params.linkId, who, body),
    addPresenter: ({ params, body, who }) => addPresenter(glen, params.linkId, who, body),
    removePresenter: ({ params, body, who }) => removePresenter(glen, params.linkId, who, body),
    presenting: ({ params, who }) => presentingIn(glen, params.classId, who),
    unshareLink: ({ params, body, who }) => unshareLink(glen, params.linkId, who, body.shareId),
  }) satisfies Partial<Handlers>;

import { z } from 'zod';
import { done, id, line, text, utcInstant, version } from '../basics.js';
import { emailField } from '../classSchemas.js';
import {
  addGuestsBody,
  editGuestBody,
  guestsAnswer,
  watchAddressBody,
  withdrawGuestBody,
} from '../guestSchemas.js';
import {
  audienceBody,
  groupsAnswer,
  linkBody,
  linkDetail,
  linkPlacesAnswer,
  linkRow,
  presenterBody,
  presentingAnswer,
  replaceBody,
  setGroupsBody,
  shareBody,
} from '../linkSchemas.js';
import { ofClass, ofLink, readVersion } from '../params.js';
import type { EndpointName } from '../endpoints.js';
import type { Shapes } from './shapes.js';

/** Links, whom they are for, and groups. */
export const links = {
  links: { answer: z.object({ links: z.array(linkRow) }) },
  classLinks: {
    params: ofClass,
    answer: z.object({ links: z.array(linkRow), mayEdit: z.boolean() }),
  },
  link: { params: ofLink, answer: linkDetail },
  linkPlaces: { params: ofLink, answer: linkPlacesAnswer },
  addLink: { params: ofClass, body: linkBody, answer: linkDetail },
  editLink: {
    params: ofLink,
    body: linkBody.omit({ preset: true, audience: true }).extend({ version }),
    answer: linkDetail,
  },
  setAudience: { params: ofLink, body: audienceBody.extend({ version }), answer: linkDetail },
  guestAddress: {
    params: ofLink,
    /** `mail`: it is sent to them, and told to nobody else; `file`: in a letter that a host sends with a mail program of their own. */
    body: z.object({ email: emailField, by: z.enum(['host', 'mail', 'file']).default('host') }),
    answer: z.object({
      address: z.string().nullable(),
      until: utcInstant,
      eml: z.string().nullable(),
    }),
  },
  guests: { params: ofLink, answer: guestsAnswer },
  addGuests: { params: ofLink, body: addGuestsBody, answer: guestsAnswer },
  editGuest: { params: ofLink, body: editGuestBody, answer: guestsAnswer },
  withdrawGuest: { params: ofLink, body: withdrawGuestBody, answer: guestsAnswer },
  setWatchAddress: { params: ofLink, body: watchAddressBody, answer: guestsAnswer },
  orderLinks: {
    params: ofClass,
    body: z.object({ order: z.array(id).min(1).max(200) }),
    answer: done,
  },
  replaceLink: { params: ofLink, body: replaceBody, answer: linkDetail },
  takeBackReplacing: { params: ofLink, body: readVersion, answer: linkDetail },
  stopLink: { params: ofLink, body: readVersion, answer: linkDetail },
  reopenLink: { params: ofLink, body: readVersion, answer: linkDetail },
  setRoom: {
    params: ofLink,
    body: z.object({ version, address: text(2000).nullable() }),
    answer: linkDetail,
  },
  lookAtRoom: {
    params: ofLink,
    body: z.object({
      version,
      ticked: z.array(z.string().max(60)).max(40).optional(),
      powers: line(200).optional(),
    }),
    answer: linkDetail,
  },
  shareLink: { params: ofLink, body: shareBody, answer: linkDetail },
  addPresenter: { params: ofLink, body: presenterBody, answer: linkDetail },
  removePresenter: {
    params: ofLink,
    body: z.object({ presenterId: id }),
    answer: linkDetail,
  },
  unshareLink: { params: ofLink, body: z.object({ shareId: id }), answer: linkDetail },
  presenting: { params: ofClass, answer: presentingAnswer },
  groups: { params: ofClass, answer: groupsAnswer },
  setGroups: { params: ofClass, body: setGroupsBody, answer: groupsAnswer },
} satisfies Partial<Record<EndpointName, Shapes>>;

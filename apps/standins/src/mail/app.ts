import express, { type Express } from 'express';
import { simpleParser } from 'mailparser';
import { z } from 'zod';
import { escape, page } from '../page.js';
import { problem } from '../problem.js';
import { invitationIn, type WayBack } from './back.js';
import { MAIL_TROUBLES, type KeptMail, type Mailboxes } from './store.js';

const answerBody = z.object({ partstat: z.enum(['ACCEPTED', 'DECLINED']) });
const troubleBody = z.object({ kind: z.enum(MAIL_TROUBLES) });

const screen = (title: string, body: string): string =>
  page({ title, style: 'room.css', body: `<main><h1>${escape(title)}</h1>${body}</main>` });

const linked = (href: string, words: string): string => `<a href="${href}">${escape(words)}</a>`;

/** As calendars offer it. */
const answerForm = (id: number): string =>
  `<form method="post" action="/mails/${id}/answer"><p>Coming? <button name="partstat" value="ACCEPTED">Yes</button> <button name="partstat" value="DECLINED">No</button></p></form>`;

async function mailPage({ id, subject, source, box }: KeptMail): Promise<string> {
  const { text = '', from, attachments } = await simpleParser(source);
  const attached = attachments.map(
    ({ filename, contentType }) => `<li>${escape(filename ?? contentType)}</li>`,
  );
  return screen(
    subject,
    `<p>To ${escape(box)}, from ${escape(from?.text ?? '')}.</p>
<iframe title="The letter" src="/mails/${id}/html" sandbox="allow-popups allow-popups-to-escape-sandbox" width="100%" height="420"></iframe>
<h2>Plain</h2><pre style="white-space:pre-wrap;overflow-wrap:anywhere">${escape(text)}</pre>
${(await invitationIn(source)) ? answerForm(id) : ''}
${attached.length === 0 ? '' : `<h2>Attached</h2><ul>${attached.join('')}</ul>`}
<p>${linked(`/mails/${id}/source`, 'Source')}</p>`,
  );
}

/** One letter, in each form that it has. */
function letterRoutes(app: Express, boxes: Mailboxes, back: WayBack): void {
  const withMail =
    (
      answer: (
        mail: KeptMail,
        res: express.Response,
        req: express.Request,
      ) => Promise<unknown> | unknown,
    ) =>
    async (req: express.Request, res: express.Response): Promise<void> => {
      const mail = await boxes.mail(Number(req.params.id));
      if (!mail) return problem(res, 404, 'There is no such letter.');
      await answer(mail, res, req);
    };
  app.get(
    '/mails/:id',
    withMail(async (mail, res) => res.send(await mailPage(mail))),
  );
  app.get(
    '/mails/:id/html',
    withMail(async ({ source }, res) => {
      const { html } = await simpleParser(source);
      res.set('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'");
      res.send(html || '');
    }),
  );
  app.get(
    '/mails/:id/source',
    withMail(({ source }, res) => res.type('text/plain').send(source)),
  );
  app.post(
    '/mails/:id/answer',
    withMail(async (mail, res, req) => {
      const { partstat } = answerBody.parse(req.body);
      if (!(await back.answer(mail, partstat)))
        return problem(res, 409, 'This letter asks nothing.');
      res.redirect(303, `/mails/${mail.id}`);
    }),
  );
}

/** The mailboxes, for anybody to read: they are nobody's. */
export function mailApp(
  boxes: Mailboxes,
  { publicDir, back }: { publicDir: string; back: WayBack },
): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(express.urlencoded({ extended: false }), express.static(publicDir, { index: false }));
  app.get('/', async (_req, res) => {
    const all = await boxes.boxes();
    const rows = all.map(
      ({ box, mails }) =>
        `<li>${linked(`/boxes/${encodeURIComponent(box)}`, box)}, ${Number(mails)}</li>`,
    );
    res.send(screen('Mailboxes', `<ul>${rows.join('')}</ul>`));
  });
  app.get('/boxes/:box', async (req, res) => {
    const box = String(req.params.box).toLowerCase();
    const rows = (await boxes.mailsOf(box)).map(
      ({ id, subject }) => `<li>${linked(`/mails/${id}`, subject)}</li>`,
    );
    res.send(screen(box, `<ul>${rows.join('')}</ul>`));
  });
  app.get('/boxes/:box/sources', async (req, res) => {
    const kept = await boxes.sourcesOf(String(req.params.box).toLowerCase());
    res.json(kept.map(({ source }) => source));
  });
  letterRoutes(app, boxes, back);
  app.post('/trouble', async (req, res) => {
    await boxes.setTrouble(troubleBody.parse(req.body).kind);
    res.redirect(303, '/');
  });
  return app;
}

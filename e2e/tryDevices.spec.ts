import type { Page } from '@playwright/test';
import { expectNoViolations } from './seen.js';
import { expect, test } from './support.js';

const trying = (page: Page) => page.getByText('Try your camera and microphone');

test('camera and microphone are tried at the door: off at first, seen and heard by oneself alone', async ({
  school,
}) => {
  await school.setTime('10:46');
  const student = await school.openPhone('Ansel Grue');
  await student.goto(school.door('N3'));
  await trying(student).click();
  await expect(student.getByLabel('Your own picture')).toBeHidden();
  await student.getByRole('button', { name: 'Switch camera on' }).click();
  const tracks = student
    .getByLabel('Your own picture')
    .evaluate((video: HTMLVideoElement) => (video.srcObject as MediaStream).getTracks().length);
  expect(await tracks).toBe(1);
  await student.getByRole('button', { name: 'Switch microphone on' }).click();
  const level = student.getByLabel('Level of your microphone');
  await expect
    .poll(() => level.evaluate((meter: HTMLMeterElement) => meter.value))
    .toBeGreaterThan(0);
  await expectNoViolations(student);
  await student.getByRole('button', { name: 'Switch microphone off' }).click();
  await expect(level).toBeHidden();
  // Closed, the part lets go of what is still on.
  const isOn = student.evaluateHandle(
    () => (document.querySelector('video')!.srcObject as MediaStream).getTracks()[0]!,
  );
  const track = await isOn;
  await trying(student).click();
  await expect.poll(() => track.evaluate((t) => t.readyState)).toBe('ended');
});

test('what goes wrong with a device at the door is explained, whatever room stands behind', async ({
  school,
}) => {
  await school.setTime('10:46');
  const host = await school.open('Ottoline Marsh');
  const { id } = school.classOf('N3').link;
  const { version } = await (await host.request.get(`${school.url}/api/links/${id}`)).json();
  await host.request.put(`${school.url}/api/links/${id}/room`, {
    headers: { Origin: school.url },
    data: { version, address: 'https://rooms.merrow.example/blue' },
  });
  await host.request.post(`${school.url}/api/links/${id}/open`, {
    headers: { Origin: school.url },
    data: {},
  });
  const student = await school.openPhone('Ansel Grue', { permissions: [] });
  await student.goto(school.door('N3'));
  await expect(student.getByText(/What the room does with camera and microphone/)).toBeVisible();
  await trying(student).click();
  await student.getByRole('button', { name: 'Switch microphone on' }).click();
  const help = student.getByRole('alert').filter({ hasText: 'told not to let this page' });
  await expect(help.getByRole('listitem')).toHaveCount(3);
  await student.context().grantPermissions(['microphone'], { origin: school.url });
  await expect(help).toBeHidden();
  await student.getByRole('button', { name: 'Switch microphone on' }).click();
  await expect(student.getByLabel('Level of your microphone')).toBeVisible();
});

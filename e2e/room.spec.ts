import { expectNoViolations } from './seen.js';
import { enterRoom, expect, test } from './support.js';

test('devices: off at first, own picture and level once on, both seen by others as on', async ({
  school,
}) => {
  await school.setTime('11:41');
  const host = await school.open('Ottoline Marsh');
  await host.goto(`${school.url}/desk/${school.classOf('C').link.id}`);
  const room = await enterRoom(host, 'Open the door now');
  await room.bringToFront();
  await expect(room.locator('#preview')).toBeHidden();
  await expect(
    room.getByRole('row', { name: /Ottoline Marsh host open, not switched on off/ }),
  ).toBeVisible();
  await room.getByRole('button', { name: 'Camera on' }).click();
  await expect(room.locator('#preview')).toBeVisible();
  expect(
    await room
      .locator('#preview')
      .evaluate(
        (video: HTMLVideoElement) => (video.srcObject as MediaStream).getVideoTracks().length,
      ),
  ).toBe(1);
  await room.getByRole('button', { name: 'Microphone on' }).click();
  await expect
    .poll(() => room.locator('#level').evaluate((meter: HTMLMeterElement) => meter.value))
    .toBeGreaterThan(0);
  await expect(room.getByRole('row', { name: /Ottoline Marsh host on on/ })).toBeVisible();
  await room.getByRole('button', { name: 'Microphone off' }).click();
  await expect(room.getByRole('row', { name: /Ottoline Marsh host muted on/ })).toBeVisible();
  await expect(room.locator('#level')).toBeHidden();
});

test('a refused, a dismissed and a missing device are noticed and explained step by step', async ({
  school,
}) => {
  await school.setTime('11:41');
  const host = await school.open('Ottoline Marsh', { permissions: [] });
  await host.goto(`${school.url}/desk/${school.classOf('C').link.id}`);
  const room = await enterRoom(host, 'Open the door now');
  await room.bringToFront();
  await room.getByRole('button', { name: 'Microphone on' }).click();
  const help = room.locator('#mic-help');
  await expect(help).toContainText(
    'Your browser was told not to let this page use the microphone.',
  );
  await expect(help.getByRole('listitem')).toHaveCount(3);
  await expect(
    room.getByRole('row', { name: /Ottoline Marsh host open, not switched on/ }),
  ).toBeVisible();

  // Allowed in the browser's own menu, the explanation goes, and trying again works.
  await room.context().grantPermissions(['microphone'], { origin: new URL(room.url()).origin });
  await expect(help).toBeEmpty();
  await room.getByRole('button', { name: 'Microphone on' }).click();
  await expect(room.getByRole('button', { name: 'Microphone off' })).toBeVisible();

  for (const [name, message, words] of [
    ['NotAllowedError', 'Permission dismissed', 'was closed without an answer'],
    ['NotFoundError', 'Requested device not found', 'No camera was found'],
    ['NotReadableError', 'Could not start video source', 'Another program holds the camera'],
  ] as const) {
    await room.evaluate(
      ([n, m]) => {
        navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException(m, n));
      },
      [name, message] as const,
    );
    await room.locator('#camera').click();
    await expect(room.locator('#camera-help')).toContainText(words);
  }
  await expect(
    room.locator('#camera-help').getByRole('button', { name: 'Try again' }),
  ).toBeVisible();
});

test('the room holds and shows what the rules say: chat, chime, speaking, sharing', async ({
  school,
}) => {
  const host = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  const { version } = await (
    await host.request.get(`${school.url}/api/classes/${n3.id}/rules`)
  ).json();
  await host.request.put(`${school.url}/api/classes/${n3.id}/rules`, {
    headers: { Origin: school.url },
    data: {
      version,
      rules: {
        straightIn: 'roll',
        mayUnmute: false,
        chat: true,
        chime: true,
        sharing: 'everyone',
        camera: 'choice',
      },
    },
  });
  await school.setTime('10:46');
  await host.goto(`${school.url}/desk/${n3.link.id}`);
  const room = await enterRoom(host, 'Open the door now');
  const student = await school.openPhone('Ansel Grue');
  await student.goto(n3.link.address);
  await student.getByRole('button', { name: 'Go in' }).click();
  await expect(
    student.getByRole('button', { name: 'The host keeps microphones off' }),
  ).toBeDisabled();
  await expect(student.getByText('Only hosts and presenters speak.')).toBeVisible();
  await expect(room.locator('#said')).toHaveText('Ansel Grue came in.');
  await student.getByLabel('Say').fill('<b>Hello</b> from the chart room');
  await student.keyboard.press('Enter');
  await expect(room.getByText('<b>Hello</b> from the chart room')).toBeVisible();
  await student.getByRole('button', { name: 'Share it' }).click();
  await expect(room.getByText('Ansel Grue shares')).toBeVisible();
  await expect(room.getByRole('heading', { name: 'Tide table' })).toBeVisible();
  await student.goto('about:blank');
  await expect(room.locator('#said')).toHaveText('Ansel Grue left.');
  await expect(room.locator('#shared')).toBeHidden();
});

test('the room, its desk and the course site break no rule of accessibility', async ({
  school,
}) => {
  await school.setTime('10:46');
  const desk = await school.open('Ottoline Marsh');
  await desk.goto(`${school.url}/desk/${school.classOf('N3').link.id}`);
  const room = await enterRoom(desk, 'Open the door now');
  await room.bringToFront();
  await room.getByRole('button', { name: 'Camera on' }).click();
  await expect(room.locator('#preview')).toBeVisible();
  await expectNoViolations(room);
  const student = await school.openPhone('Ansel Grue');
  await student.goto(school.door('N3'));
  await student.getByRole('button', { name: 'Knock' }).click();
  await desk.getByRole('button', { name: 'Turn Ansel Grue away' }).click();
  await expectNoViolations(desk);
  await desk.getByRole('button', { name: 'Hand over…' }).click();
  await expect(desk.getByRole('radio', { name: /Signe Aalto/ })).toBeVisible();
  await expectNoViolations(desk);
  await school.stream(student, 'nav-3', 'Ansel Grue');
  await expectNoViolations(student);
});

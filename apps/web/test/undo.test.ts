import { describe, expect, it, vi } from 'vitest';
import { offerUndo, undoLast } from '../src/app/undo.js';
import { remembered } from '../src/app/writes.js';

// What is said on the screen needs a browser.
vi.mock('../src/ui/toast.js', () => ({
  toast: Object.assign(() => 1, { dismiss: () => {}, error: () => {} }),
}));

/** A write that is answered when the test says so. */
function slowWrite() {
  let answer = () => {};
  const written = remembered(
    new Promise<void>((resolve) => {
      answer = resolve;
    }),
  );
  return { written, answer };
}

describe('undo', () => {
  it('takes back what was pressed last, though its answer is still awaited', async () => {
    const takenBack: string[] = [];
    const undoOf = (what: string) => async () => void takenBack.push(what);
    offerUndo('The first is changed.', undoOf('first'));
    const { written, answer } = slowWrite();
    const second = written.then(() => offerUndo('The second is changed.', undoOf('second')));
    const undone = undoLast();
    answer();
    await Promise.all([second, undone]);
    expect(takenBack).toEqual(['second']);
  });

  it('takes back what stands when a write has failed', async () => {
    const takenBack: string[] = [];
    offerUndo('The first is changed.', async () => void takenBack.push('first'));
    const failing = remembered(Promise.reject(new Error('refused')));
    await Promise.all([undoLast(), failing.catch(() => undefined)]);
    expect(takenBack).toEqual(['first']);
  });
});

import { renderHook } from '@testing-library/react';
import { useKeys, useTitle } from './use-keys';

const press = (key: string, init: KeyboardEventInit = {}, target: EventTarget = document.body): boolean =>
  target.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...init }));

describe('keys', () => {
  it('do what they say, and nothing else is taken from the browser', () => {
    const done: string[] = [];
    renderHook(() => useKeys({ n: () => done.push('n') }));
    expect(press('n')).toBe(false);
    expect(press('x')).toBe(true);
    expect(done).toEqual(['n']);
  });

  it('are left alone with a modifier held, and while something is typed', () => {
    const done: string[] = [];
    renderHook(() => useKeys({ n: () => done.push('n') }));
    for (const modifier of ['ctrlKey', 'metaKey', 'altKey']) press('n', { [modifier]: true });
    for (const tag of ['input', 'textarea']) {
      const field = document.body.appendChild(document.createElement(tag));
      press('n', {}, field);
      field.remove();
    }
    expect(done).toEqual([]);
    press('n', { shiftKey: true }, document.body.appendChild(document.createElement('button')));
    expect(done).toEqual(['n']);
  });

  it('that are held turn on and on, and do nothing else twice', () => {
    const done: string[] = [];
    renderHook(() => useKeys({ n: () => done.push('n'), ArrowUp: () => done.push('up') }));
    press('n');
    for (let i = 0; i < 3; i++) {
      press('n', { repeat: true });
      press('ArrowUp', { repeat: true });
    }
    expect(done).toEqual(['n', 'up', 'up', 'up']);
  });

  it('follow what they are told anew, and stop when the screen goes', () => {
    const done: string[] = [];
    const { rerender, unmount } = renderHook(({ word }) => useKeys({ n: () => done.push(word) }), {
      initialProps: { word: 'one' },
    });
    rerender({ word: 'two' });
    press('n');
    unmount();
    press('n');
    expect(done).toEqual(['two']);
  });
});

describe('the title of the page', () => {
  it('says where you are', () => {
    renderHook(() => useTitle('Log'));
    expect(document.title).toBe('Log · Jolly Tinker');
  });
});

import { renderHook } from '@testing-library/react';
import { StrictMode } from 'react';
import { useLeadOn } from './use-lead-on';

const replaced: unknown[] = [];
jest.mock('expo-router', () => ({ useRouter: () => ({ replace: (next: unknown) => replaced.push(next) }) }));
beforeEach(() => replaced.splice(0));

describe('what is saved leads on', () => {
  it('while its screen is looked at, also where effects run twice', () => {
    const { result } = renderHook(useLeadOn, { wrapper: StrictMode });
    result.current('/rig');
    expect(replaced).toEqual(['/rig']);
  });

  it('and drags nobody back who left before it was saved', () => {
    const { result, unmount } = renderHook(useLeadOn);
    const lead = result.current;
    unmount();
    lead('/');
    expect(replaced).toEqual([]);
  });
});

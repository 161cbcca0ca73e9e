import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import type { SettingName } from '@/core/setting/table';
import { LogButton, UndoButton } from '../BenchButtons';
import { JudgeBar } from '../JudgeBar';
import { SettingsPanel } from '../settings/SettingsPanel';
import { Verdict } from '../verdict/Verdict';
import { OnBench } from './shop';

/** The panels of the bench by themselves, as the tests press them. */
export function Screen() {
  const [knob, setKnob] = useState<SettingName | null>(null);
  return (
    <>
      <SettingsPanel open={knob} onOpen={setKnob} wide={false} />
      <Verdict onOpenKnob={setKnob} />
      <JudgeBar />
      <LogButton />
      <UndoButton />
    </>
  );
}

/** The settings, the verdict and the buttons of the bench, once the first answer is there. */
export async function open(): Promise<void> {
  render(<Screen />, { wrapper: OnBench });
  // The card is fetched when it is first wanted, which takes a busy machine a while.
  await screen.findByText('Start with');
}

/** The one button called so, as it is read out. @throws where there is none, or more than one */
function button(name: string | RegExp): HTMLElement {
  const isCalled = (called: string): boolean => (typeof name === 'string' ? called === name : name.test(called));
  const found = Array.from(document.querySelectorAll<HTMLElement>('button, [role=button]')).filter((one) =>
    isCalled(one.getAttribute('aria-label') ?? one.textContent ?? ''),
  );
  if (found.length !== 1) throw new Error(`${found.length} buttons are called ${name}`);
  return found[0];
}

export const press = (name: string | RegExp): boolean => fireEvent.click(button(name));
export const type = (label: string, text: string): boolean =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
export const cell = (name: RegExp): string => button(name).getAttribute('aria-label')!;

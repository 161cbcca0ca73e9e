import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import type { SettingName } from '@/core/setting/table';
import { LogButton, UndoButton } from '../BenchButtons';
import { JudgeBar } from '../JudgeBar';
import { SettingsPanel } from '../SettingsPanel';
import { Verdict } from '../Verdict';
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
  await screen.findByText('Start with', {}, { timeout: 20_000 });
}
export const press = (name: string | RegExp): boolean => fireEvent.click(screen.getByRole('button', { name }));
export const type = (label: string, text: string): boolean =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
export const cell = (name: RegExp): string => screen.getByRole('button', { name }).getAttribute('aria-label')!;

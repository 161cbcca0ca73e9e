import { useState } from 'react';
import { View } from 'react-native';
import { PASS_PHRASE } from '@/core/access/pass-phrase';
import { Button, Toggle } from '@/ui/Press';
import { TextField } from '@/ui/TextField';
import { Heading, Words } from '@/ui/Words';
import { setPassPhrase } from './access-api';

/** Another pass phrase for the workshop, and whether the devices that are in have to come in anew with it. */
export function PassPhraseForm() {
  const [phrase, setPhrase] = useState('');
  const [shown, setShown] = useState(false);
  const [endOthers, setEndOthers] = useState(false);
  const [said, setSaid] = useState<{ text: string; isProblem: boolean } | null>(null);
  const isLong = phrase.trim().length >= PASS_PHRASE.least;
  const set = (): void => {
    setPassPhrase({ passPhrase: phrase, endOthers }).then(
      () => {
        setPhrase('');
        setSaid({
          text: endOthers ? 'Set. Every device has to come in anew.' : 'Set. Devices that are in stay in.',
          isProblem: false,
        });
      },
      (error: Error) => setSaid({ text: `Not set. ${error.message}`, isProblem: true }),
    );
  };
  return (
    <View role="region" aria-label="Pass phrase" className="gap-3">
      <Heading level={2}>Another pass phrase</Heading>
      <TextField
        label={`Pass phrase, ${PASS_PHRASE.least} letters or more; some words are easiest`}
        value={phrase}
        onChange={(text) => (setPhrase(text), setSaid(null))}
        maxLength={PASS_PHRASE.most}
        secret={!shown}
        problem={phrase !== '' && !isLong ? `takes ${PASS_PHRASE.least} letters or more` : null}
      />
      <Toggle label="Show what is typed" on={shown} onPress={() => setShown(!shown)} className="self-start" />
      <Toggle
        label="Every device has to come in anew"
        on={endOthers}
        onPress={() => setEndOthers(!endOthers)}
        className="self-start"
      />
      <Button label="Set it" disabled={!isLong} onPress={set} />
      {said !== null && (
        <Words role={said.isProblem ? 'alert' : 'status'} strong>
          {said.text}
        </Words>
      )}
    </View>
  );
}

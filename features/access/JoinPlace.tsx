import { useQueryClient } from '@tanstack/react-query';
import { Link } from 'expo-router';
import { useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useOutbox } from '@/client/outbox/outbox';
import { platform } from '@/platform/ports';
import { Button, Toggle } from '@/ui/Press';
import { TextField } from '@/ui/TextField';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { useSession } from '../../client/use-session';
import { signIn } from './sign-in';

/** Letters that stand in a code; anything else behind the mark is none. */
const CODE = /^[A-Za-z0-9_-]{10,60}$/;

/** The code that was scanned: taken out of the address once, and known to whoever draws the door next. */
let lastScanned: string | null = null;

function scannedCode(): string | null {
  const said = platform().takeFromAddress();
  if (CODE.test(said)) lastScanned = said;
  return lastScanned;
}

/** A device comes in: with the code that it has scanned, or with the pass phrase of the workshop. */
export function JoinPlace() {
  useTitle('Come in');
  const client = useQueryClient();
  const session = useSession();
  const waiting = useOutbox();
  const [scanned, setScanned] = useState(scannedCode);
  // A code that is scanned while the door is open comes to the same page.
  useEffect(() => platform().onAddress(() => setScanned(scannedCode())), []);
  const [phrase, setPhrase] = useState('');
  const [shown, setShown] = useState(false);
  const [name, setName] = useState(() => platform().deviceKind());
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  if (session?.isIn) return <Inside guarded={session.isGuarded} own={session.trust?.isOurs === true} />;
  const ready = name.trim() !== '' && (scanned !== null || phrase !== '');
  const go = (): void => {
    if (!ready || busy) return;
    setBusy(true);
    setProblem(null);
    signIn(client, { name: name.trim(), ...(scanned === null ? { passPhrase: phrase } : { code: scanned }) }).then(
      () => {
        lastScanned = null;
        setBusy(false);
      },
      (error: Error) => {
        setBusy(false);
        setProblem(error.message);
        // A code that is not good any more is not asked with again.
        lastScanned = null;
        setScanned(null);
      },
    );
  };
  return (
    <ScrollView contentContainerClassName="w-full max-w-xl gap-4 self-center p-4 pb-10">
      <Heading level={1}>Come in</Heading>
      <Words>
        {scanned === null
          ? 'This workshop asks who is there. Type its pass phrase, or scan the code that a device inside shows under Rig, Devices.'
          : 'The code was scanned. Say what the others should call this device.'}
      </Words>
      {waiting.length > 0 && (
        <Words strong className="border-l-4 border-ink pl-3">
          {`${waiting.length === 1 ? 'One thing waits' : `${waiting.length} things wait`} on this device. Nothing is lost: it goes by itself once the device is in.`}
        </Words>
      )}
      {scanned === null && (
        <View className="gap-2">
          <TextField
            label="Pass phrase"
            value={phrase}
            onChange={setPhrase}
            maxLength={200}
            secret={!shown}
            problem={problem}
            onEnter={go}
          />
          <Toggle label="Show what is typed" on={shown} onPress={() => setShown(!shown)} className="self-start" />
        </View>
      )}
      <TextField label="This device" value={name} onChange={setName} maxLength={60} onEnter={go} />
      <Button tone="act" label={busy ? 'Coming in…' : 'Come in'} disabled={!ready || busy} onPress={go} />
      {session?.trust?.isOurs === true && <TrustLink />}
    </ScrollView>
  );
}

const TrustLink = () => (
  <Link href="/trust" className="min-h-14 py-3">
    <Words strong className="underline">
      The browser warns of this address? How a device comes to trust it
    </Words>
  </Link>
);

function Inside({ guarded, own }: { guarded: boolean; own: boolean }) {
  return (
    <ScrollView contentContainerClassName="w-full max-w-xl gap-4 self-center p-4 pb-10">
      <Heading level={1}>This device is in</Heading>
      <Words>
        {guarded
          ? 'It stays in for ninety days from its last visit. Going out again is under Rig, Devices.'
          : 'This server listens to its own machine alone: nobody is asked.'}
      </Words>
      <Link href="/people" asChild>
        <Button tone="act" label="Say who you are" />
      </Link>
      <Link href="/" asChild>
        <Button label="To the bench" />
      </Link>
      {own && (
        <>
          <Words>
            One thing is worth doing once: as long as the device does not trust this workshop, its browser warns, and
            the page does not open while the server is away.
          </Words>
          <Link href="/trust" asChild>
            <Button label="Come to trust it, in three steps" />
          </Link>
        </>
      )}
    </ScrollView>
  );
}

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { Device, Session } from '@/core/access/access-schema';
import { useOutbox } from '@/client/outbox/outbox';
import { platform } from '@/platform/ports';
import { QrCode } from '@/ui/access/QrCode';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Loading, StateNote } from '@/ui/State';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { clockWords, dayWords } from '../shared/time-words';
import { useSession } from '../../client/use-session';
import { changeDevice, fetchDevices, fetchJoinCode } from './access-api';
import { goOut } from './sign-in';
import { Fingerprint } from './Fingerprint';
import { PassPhraseForm } from './PassPhraseForm';

const DEVICES = ['devices'];
/** A code is shown anew so long before it ends, ms. */
const AHEAD_MS = 60_000;

/** Who comes in: the code for the next device, those that are in, and what the keeper does about them. */
export function DevicesPlace() {
  useTitle('Devices');
  const session = useSession();
  if (session === undefined) return <Loading what="the devices" />;
  if (!session.isGuarded)
    return (
      <StateNote
        title="This machine alone"
        text="The server listens to its own machine. Started with --lan it lets phones in, with a pass phrase: npm start -- --lan"
      />
    );
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-6 self-center p-4 pb-10">
      <Heading level={1}>Devices</Heading>
      <NextDevice session={session} />
      <DeviceList session={session} />
      {session.isKeeper && <PassPhraseForm />}
      {session.device !== null && <GoOut />}
    </ScrollView>
  );
}

/** The code that the next phone scans. It is asked for anew before it ends. */
function NextDevice({ session: { trust } }: { session: Session }) {
  const { data, error, refetch } = useQuery({
    queryKey: ['join-code'],
    queryFn: fetchJoinCode,
    staleTime: 0,
    gcTime: 0,
    persister: undefined,
  });
  useEffect(() => {
    if (data === undefined) return;
    const ahead = Date.parse(data.goodUntil) - platform().now().getTime() - AHEAD_MS;
    return platform().after(Math.max(1000, ahead), () => void refetch());
  }, [data, refetch]);
  const [best, ...others] = data?.addresses ?? [];
  return (
    <View role="region" aria-label="The next device" className="gap-3 rounded-md bg-plate p-4">
      <Heading level={2}>The next device</Heading>
      {error !== null && <Words role="alert">{`No code. ${error.message}`}</Words>}
      {data !== undefined && best === undefined && (
        <Words role="alert">This machine has no address on a network now.</Words>
      )}
      {data !== undefined && best !== undefined && (
        <Row className="flex-wrap items-center gap-4">
          <QrCode text={`${best}/join#${data.code}`} label="Code that lets the next device in" width={236} />
          <View className="min-w-0 flex-1 basis-56 gap-2">
            <Words strong>Scan it with the phone’s camera, and open what it finds.</Words>
            <Words>{`It lets in whoever scans it until ${clockWords(data.goodUntil)}, without the pass phrase.`}</Words>
            <Words className="text-faint">Or type the address, and the pass phrase there:</Words>
            {[best, ...others].map((address) => (
              <Words key={address} strong selectable>
                {address}
              </Words>
            ))}
          </View>
        </Row>
      )}
      {trust?.isOurs === true && (
        <View className="gap-2 border-t-2 border-edge pt-3">
          <Words>The phone’s browser warns of a certificate that it does not know. It is this one:</Words>
          <Fingerprint of={trust.fingerprint} />
          <Link href="/trust" className="min-h-14 py-3">
            <Words strong className="underline">
              How a device comes to trust it, in three steps
            </Words>
          </Link>
        </View>
      )}
    </View>
  );
}

function DeviceList({ session }: { session: Session }) {
  const { data, error } = useQuery({ queryKey: DEVICES, queryFn: fetchDevices, staleTime: 0, persister: undefined });
  if (error !== null) return <Words role="alert">{`The devices cannot be read. ${error.message}`}</Words>;
  if (data === undefined) return <Loading what="the devices" />;
  return (
    <View role="region" aria-label="Devices that came in" className="gap-3">
      <Heading level={2}>Those that came in</Heading>
      {data.devices.length === 0 && <Words className="text-faint">None yet but this machine itself.</Words>}
      {data.devices.map((device) => (
        <DeviceCard key={device.id} device={device} session={session} />
      ))}
      {data.wrongTries.length > 0 && (
        <>
          <Heading level={3}>Wrong pass phrases, last seven days</Heading>
          {data.wrongTries.map(({ from, count, lastAt }) => (
            <Words key={from}>
              {`${from}: ${count === 1 ? 'once' : `${count} times`}, last ${dayWords(lastAt)}, ${clockWords(lastAt)}`}
            </Words>
          ))}
        </>
      )}
    </View>
  );
}

function DeviceCard({ device, session }: { device: Device; session: Session }) {
  const { id, name, isIn, lastAt, lastFrom, shutOutAt } = device;
  const client = useQueryClient();
  const [asked, setAsked] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const shutOut = (): void => {
    setAsked(false);
    changeDevice(id, { shutOut: true }).then(
      () => client.invalidateQueries({ queryKey: DEVICES }),
      (error: Error) => setProblem(error.message),
    );
  };
  const isThis = session.device?.id === id;
  const seen = `${dayWords(lastAt)}, ${clockWords(lastAt)}, from ${lastFrom}`;
  return (
    <View role="article" aria-label={name} className="gap-2 rounded-md bg-plate p-3">
      <Words strong className="text-lg">
        {isThis ? `${name} (this one)` : name}
      </Words>
      <Words className="text-faint">
        {isIn
          ? `In. Last seen ${seen}`
          : shutOutAt === null
            ? `Went out. Last seen ${seen}`
            : `Shut out ${dayWords(shutOutAt)}, ${clockWords(shutOutAt)}`}
      </Words>
      {session.isKeeper &&
        isIn &&
        (asked ? (
          <>
            <Words strong>
              It has to come in anew. What it has not sent stays on it. Whoever holds it and knows the pass phrase comes
              in again: set another one as well where it was lost.
            </Words>
            <Row className="gap-2">
              <Button label="Leave it in" className="flex-1" onPress={() => setAsked(false)} />
              <Button tone="act" label="Shut it out" className="flex-1" onPress={shutOut} />
            </Row>
          </>
        ) : (
          <Button label="Shut out" aria-label={`Shut out ${name}`} onPress={() => setAsked(true)} />
        ))}
      {problem !== null && <Words role="alert" strong>{`Not done. ${problem}`}</Words>}
    </View>
  );
}

/** This device goes out, and forgets what it has seen. */
function GoOut() {
  const client = useQueryClient();
  const router = useRouter();
  const waiting = useOutbox();
  const [asked, setAsked] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const out = (): void => {
    goOut(client).then(
      () => router.replace('/join'),
      (error: Error) => setProblem(error.message),
    );
  };
  if (!asked) return <Button label="Go out with this device" onPress={() => setAsked(true)} />;
  return (
    <View className="gap-3 rounded-md bg-plate p-4">
      <Words strong>
        It forgets the records, the photographs and what stands on the bench, and has to come in anew.
      </Words>
      {waiting.length > 0 && (
        <Words strong className="border-l-4 border-ink pl-3">
          {`${waiting.length === 1 ? 'One thing' : `${waiting.length} things`} from this device the server has not got yet. That stays here, and goes once the device is in again.`}
        </Words>
      )}
      <Row className="gap-2">
        <Button label="Stay in" className="flex-1" onPress={() => setAsked(false)} />
        <Button tone="act" label="Go out" className="flex-1" onPress={out} />
      </Row>
      {problem !== null && <Words role="alert" strong>{`Not done. ${problem}`}</Words>}
    </View>
  );
}

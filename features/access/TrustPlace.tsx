import { Link } from 'expo-router';
import { useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { platform } from '@/platform/ports';
import { TrustDrawing, type TrustStep } from '@/ui/access/TrustDrawing';
import { Button, Choice } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { useTitle } from '@/ui/use-keys';
import { Heading, Words } from '@/ui/Words';
import { useSession } from '../../client/use-session';
import { Fingerprint } from './Fingerprint';

const KINDS = ['Android', 'iPhone, iPad', 'Computer'] as const;
type Kind = (typeof KINDS)[number];

/** The second step is another on each kind of device; menus move, so what is looked for is named as well as where. */
const PUT_IN: Record<Kind, string> = {
  Android:
    'Settings: search them for “CA certificate”. Choose to install one, say that you want it all the same, and choose workshop.crt.',
  'iPhone, iPad':
    'Settings, General, VPN & Device Management: install the profile. Then Settings, General, About, Certificate Trust Settings: switch it on.',
  Computer:
    'In the browser’s settings search for “certificates”, and import workshop.crt among the authorities, to be trusted for websites.',
};

const steps = (kind: Kind): { step: TrustStep; title: string; text: string }[] => [
  {
    step: 'fetch',
    title: '1. Fetch it',
    text: 'Take the certificate of this workshop onto the device. It says who the server is, and lets nobody in.',
  },
  { step: 'put-in', title: '2. Put it in', text: PUT_IN[kind] },
  {
    step: 'open-anew',
    title: '3. Compare, and open anew',
    text: 'The device shows the SHA-256 of what it trusts: it is the one below, and the one that the keeper’s screen shows. Then close the page and open it again: the warning is gone.',
  },
];

/** Shows how a device comes to trust the certificate that this workshop made for itself. */
export function TrustPlace() {
  useTitle('Trust this workshop');
  const session = useSession();
  const isWide = useWindowDimensions().width >= 700;
  const [kind, setKind] = useState<Kind>(() => {
    const own = platform().deviceKind();
    return own.startsWith('Android') ? 'Android' : own.startsWith('iP') ? 'iPhone, iPad' : 'Computer';
  });
  const trust = session?.trust ?? null;
  if (session !== undefined && trust?.isOurs !== true)
    return (
      <View className="w-full max-w-xl gap-4 self-center p-4">
        <Heading level={1}>Trust this workshop</Heading>
        <Words>
          {trust === null
            ? 'This server made no certificate: there is nothing to trust.'
            : 'This workshop has a certificate that devices trust as they do others. There is nothing to do.'}
        </Words>
        <BackToBench />
      </View>
    );
  return (
    <ScrollView contentContainerClassName="w-full max-w-3xl gap-4 self-center p-4 pb-10">
      <Heading level={1}>Trust this workshop</Heading>
      <Words>
        The server made its certificate itself, so browsers warn until the device knows it. Once is enough. With it the
        page opens while the server is away, and camera and microphone may be used.
      </Words>
      <Choice
        label="This device"
        options={KINDS.map((value) => ({ value, label: value }))}
        chosen={kind}
        onChoose={setKind}
      />
      {steps(kind).map(({ step, title, text }) => (
        <View
          key={step}
          className={`gap-3 rounded-md bg-plate p-3 ${isWide ? 'flex-row items-center' : 'items-center'}`}
        >
          <TrustDrawing step={step} width={isWide ? 190 : 150} />
          <View className={`gap-2 ${isWide ? 'min-w-0 flex-1' : 'w-full'}`}>
            <Heading level={2}>{title}</Heading>
            <Words>{text}</Words>
            {step === 'fetch' && (
              <Row>
                <Button tone="act" label="Fetch workshop.crt" onPress={() => platform().saveFrom('/authority.crt')} />
              </Row>
            )}
            {step === 'open-anew' && trust !== null && <Fingerprint of={trust.fingerprint} />}
          </View>
        </View>
      ))}
      <Words className="text-faint">
        The workshop’s authority can sign for addresses of a house’s own network and for this machine’s names, and for
        no place on the internet. Its key never leaves the machine that the server runs on.
      </Words>
      <BackToBench />
    </ScrollView>
  );
}

const BackToBench = () => (
  <Link href="/" asChild>
    <Button label="To the bench" />
  </Link>
);

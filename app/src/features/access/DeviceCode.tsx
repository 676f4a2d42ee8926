import { useEffect, useState } from 'react';
import { View } from 'react-native';
import QRCode from 'react-native-qrcode-svg';
import { serverTime } from '@/api';
import { Words } from '@/design';

interface Props {
  readonly code: {
    readonly code: string;
    readonly expiresAt: string;
    readonly address: string | null;
    readonly trust: { readonly url: string; readonly fingerprint: string } | null;
  };
}

const ONLY_HERE = /^https?:\/\/(localhost|127\.|\[::1\])/;
const grouped = (code: string): string => `${code.slice(0, 4)} ${code.slice(4)}`;
const say = (seconds: number): string => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;

/** The code that lets one device in, to scan or to type, with the time it has left. */
export function DeviceCode({ code: { code, expiresAt, address, trust } }: Props) {
  const [now, setNow] = useState(() => serverTime().getTime());
  useEffect(() => {
    const timer = setInterval(() => setNow(serverTime().getTime()), 1000);
    return () => clearInterval(timer);
  }, []);
  const left = Math.max(Math.round((Date.parse(expiresAt) - now) / 1000), 0);
  const origin = address ?? (typeof location === 'undefined' ? '' : location.origin);
  if (left === 0) return <Words tone="prep">That code is over. Make another.</Words>;
  return (
    <>
      {trust ? <Trust {...trust} /> : null}
      <View className="flex-row flex-wrap items-center gap-5 border-2 border-black bg-white p-4" role="status">
        <QRCode value={`${origin}/let-in?code=${code}`} size={140} />
        <View className="min-w-[200px] flex-1 gap-1">
          <Words face="stencil" size={32} style={{ color: '#000' }} aria-label={`Code ${[...code].join(' ')}`}>
            {grouped(code)}
          </Words>
          <Words style={{ color: '#000' }}>
            {ONLY_HERE.test(origin)
              ? 'This address means this machine alone. For a phone, open Hudrik by this machine’s own name or address, and show the code there.'
              : `Scan it with the new device, or open ${origin.replace(/^https?:\/\//, '')} there and type it.`}
          </Words>
          <Words face="figures" size={22} style={{ color: '#000' }}>
            {`${say(left)} left`}
          </Words>
        </View>
      </View>
    </>
  );
}

/** Before anything else a device learns to trust the yard’s own certificate: once, by another code. */
const Trust = ({ url, fingerprint }: { readonly url: string; readonly fingerprint: string }) => (
  <View className="flex-row flex-wrap items-center gap-5 border-2 border-black bg-white p-4">
    <QRCode value={url} size={110} />
    <View className="min-w-[200px] flex-1 gap-1">
      <Words face="strong" style={{ color: '#000' }}>
        A new device trusts this yard first
      </Words>
      <Words size={15} style={{ color: '#000' }}>{`It opens ${url}, where these figures must stand:`}</Words>
      <Words face="figures" size={22} style={{ color: '#000' }}>
        {fingerprint}
      </Words>
    </View>
  </View>
);

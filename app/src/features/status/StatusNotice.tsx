import { Link } from 'expo-router';
import { View } from 'react-native';
import { usePerson, useRead } from '@/api';
import { Words } from '@/design';
import { sayTrouble } from './sayTrouble';

const FRESH_MS = 300_000;

/** What is wrong with the installation, for a lead, on the shift. Nothing where nothing is. */
export const StatusNotice = () => (usePerson().role === 'lead' ? <ForLead /> : null);

function ForLead() {
  const { data } = useRead('status', { staleTime: FRESH_MS });
  const [first, ...more] = data?.troubles ?? [];
  if (data === undefined || first === undefined) return null;
  return (
    <View
      className="no-print flex-row flex-wrap items-center gap-3 border-l-[6px] border-held bg-card p-3"
      role="status"
    >
      <Words className="min-w-[200px] flex-1">
        {`${sayTrouble(first, data)}${more.length === 0 ? '' : ` And ${more.length} more.`}`}
      </Words>
      <Link href="/status" className="min-h-[48px] py-3 font-strong text-17 text-ink underline">
        How Hudrik stands
      </Link>
    </View>
  );
}

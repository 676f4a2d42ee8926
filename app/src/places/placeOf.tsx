import { useEffect, useState, type ComponentType } from 'react';
import { Failure, Loading, Page } from '@/design';

/**
 * A part of the app that is loaded when one of its screens is first opened; once it is there its screens open at once. Out: what makes a
 * route of one of its screens.
 */
export function placeOf<P>(load: () => Promise<P>): (pick: (place: P) => ComponentType) => ComponentType {
  let here: P | null = null;
  return (pick) =>
    function Route() {
      const [place, setPlace] = useState<P | null>(here);
      const [failed, setFailed] = useState(false);
      useEffect(() => {
        if (place !== null || failed) return;
        let left = false;
        load().then(
          (loaded) => {
            here = loaded;
            if (!left) setPlace(loaded);
          },
          () => void (left || setFailed(true)),
        );
        return () => {
          left = true;
        };
      }, [place, failed]);
      if (place !== null) {
        const Screen = pick(place);
        return <Screen />;
      }
      if (!failed) return <Loading what="this page" />;
      return (
        <Page>
          <Failure
            sentence="This page could not be fetched. There is no connection, and this device has not kept it yet."
            kept="What you entered on this device is kept."
            retry={() => setFailed(false)}
          />
        </Page>
      );
    };
}

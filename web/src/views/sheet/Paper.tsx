import { type RefObject, useEffect, useState } from "react";

type Props = { ref: RefObject<HTMLIFrameElement | null>; title: string; address: string };

/** A document as it prints, as tall as what it says. */
export function Paper({ ref, title, address }: Props) {
  const [height, setHeight] = useState(900);
  const [loaded, setLoaded] = useState(0);
  useEffect(() => {
    const page = loaded > 0 ? ref.current?.contentDocument?.documentElement : null;
    if (!page) return;
    const grown = new ResizeObserver(() => setHeight(page.offsetHeight));
    grown.observe(page);
    return () => grown.disconnect();
  }, [ref, loaded]);
  return (
    <iframe
      ref={ref}
      title={title}
      src={address}
      sandbox="allow-same-origin allow-modals"
      className="block w-full bg-sheet"
      style={{ height }}
      onLoad={() => setLoaded((count) => count + 1)}
    />
  );
}

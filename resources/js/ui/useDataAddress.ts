import { useEffect, useState } from 'react';

/** A picture as a data address: the policy lets no blob address in. */
export function useDataAddress(blob: Blob | undefined): string {
  const [address, setAddress] = useState('');
  useEffect(() => {
    if (!blob) return;
    const reader = new FileReader();
    reader.onload = () => setAddress(String(reader.result));
    reader.readAsDataURL(blob);
    return () => {
      reader.onload = null;
    };
  }, [blob]);
  return address;
}

import { useEffect, useRef } from 'react';
import type { Style } from '../api/client';
import { colourOf, hexOf } from './hex';

type Colour = Style['text'];

interface Props {
  name: string;
  value: Colour;
  className: string;
  /** While it is being chosen. */
  onTry?: (colour: Colour) => void;
  /** When it is chosen. */
  onKeep: (colour: Colour) => void;
}

/** The browser's colour field; what is not seen at all is seen once it has a colour. */
export function ColourInput({ name, value, className, onTry, onKeep }: Props) {
  const field = useRef<HTMLInputElement>(null);
  const alpha = value.alpha || 255;
  useEffect(() => {
    const element = field.current!;
    if (document.activeElement !== element) element.value = hexOf(value);
    // React tells every step of choosing as a change; the browser tells when it is done.
    const chosen = () => onKeep(colourOf(element.value, alpha));
    element.addEventListener('change', chosen);
    return () => element.removeEventListener('change', chosen);
  });
  return (
    <input
      ref={field}
      type="color"
      aria-label={name}
      className={className}
      defaultValue={hexOf(value)}
      onInput={(e) => onTry?.(colourOf(e.currentTarget.value, alpha))}
    />
  );
}

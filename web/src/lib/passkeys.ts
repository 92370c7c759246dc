/** Browsers make them for names alone, never for an address of digits. */
export function takesPasskeys(): boolean {
  return "PublicKeyCredential" in globalThis && !/^[\d.]+$|^\[/.test(location.hostname);
}

/** A new id for something this device makes. */
export function newId(): string {
  return crypto.randomUUID();
}

/** A feed that was reckoned and is carried into a jar: the texts that its walk begins with, flours by their kind. */
export type CarriedFeed = {
  readonly keep: string;
  readonly water: string;
  readonly flours: Readonly<Record<string, string>>;
};

export function carriedKey(jarId: string): string {
  return `carried.${jarId}`;
}

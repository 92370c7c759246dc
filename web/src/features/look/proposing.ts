/** What a photo itself says of its jar: asked of the kitchen when it is added, and again when lines in it were moved. */
import { useEffect, useRef, useState } from "react";
import { keptPhoto } from "../../api/photos";
import { proposalFor } from "../../api/proposal";
import type { OpenJar, PhotoProposal } from "../../api/types";
import type { Points } from "../../lib/photo";

export type Proposing = {
  readonly found: PhotoProposal | "asked" | "none" | null;
  readonly ask: (picture: Blob) => Promise<void>;
  /** The lines were moved, the level itself or those that it is told by. */
  readonly moved: (before: Points, next: Points) => void;
};

/** How long lines rest before the level between them is read again. */
const REST_MS = 500;

/** The three lines of a proposal; the mark, where it is not seen, by the jar's measure. */
export function linesOf(found: PhotoProposal, opened: OpenJar): Points {
  const { in_jar: held, stands } = opened.assessment;
  const share = held?.line_mm ? held.line_mm / stands.vessel.height_mm : 0.4;
  const x = (found.left + found.right) / 2;
  return {
    bottom: { x, y: found.bottom },
    mark: { x, y: found.mark ?? found.bottom - share * (found.bottom - found.rim) },
    level: { x, y: found.level },
  };
}

export function useProposing(
  jarId: string,
  photoId: string | null,
  points: Points | null,
  onLevel: (y: number) => void,
): Proposing {
  const [found, setFound] = useState<Proposing["found"]>(null);
  const [line, setLine] = useState<string | null>(null);
  // A level that the baker has set herself is hers.
  const own = useRef(false);
  const now = useRef({ found, points, onLevel });
  now.current = { found, points, onLevel };
  useEffect(() => {
    if (line === null || photoId === null) return;
    const read = async () => {
      const { found: before, points: at } = now.current;
      const picture = await keptPhoto(photoId);
      if (!picture || !at || before === null || typeof before === "string" || own.current) return;
      const { rim, left, right } = before;
      const shown = { rim, left, right, bottom: at.bottom.y, mark: at.mark.y, level: at.level.y };
      const again = await proposalFor(jarId, picture, shown);
      if (again === null || again === "none" || own.current) return;
      setFound(again);
      if (again.sure > 0) now.current.onLevel(again.level);
    };
    const wait = setTimeout(() => void read().catch(() => undefined), REST_MS);
    return () => clearTimeout(wait);
  }, [line, jarId, photoId]);
  return {
    found,
    ask: async (picture) => {
      own.current = false;
      setLine(null);
      setFound("asked");
      setFound(await proposalFor(jarId, picture));
    },
    moved: (before, next) => {
      if (before.level !== next.level) own.current = true;
      else if (before.bottom !== next.bottom || before.mark !== next.mark)
        setLine(`${next.bottom.y} ${next.mark.y}`);
    },
  };
}

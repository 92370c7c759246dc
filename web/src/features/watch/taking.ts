/** The page's own camera: turned on, looked through, and turned off with the page. */
import { useCallback, useEffect, useRef, useState } from "react";

export type CameraState = "off" | "on" | "refused" | "none";

/** So large a picture goes to the kitchen; more tells nothing more of a jar. */
const SIDE = 960;
const QUALITY = 0.88;

export function useCamera() {
  const video = useRef<HTMLVideoElement>(null);
  const stream = useRef<MediaStream | null>(null);
  const [state, setState] = useState<CameraState>("off");
  const stop = useCallback(() => {
    for (const track of stream.current?.getTracks() ?? []) track.stop();
    stream.current = null;
  }, []);
  useEffect(() => stop, [stop]);
  const start = useCallback(async () => {
    if (!navigator.mediaDevices) {
      setState("none");
      return;
    }
    try {
      stop();
      stream.current = await navigator.mediaDevices.getUserMedia({
        audio: false,
        video: { facingMode: { ideal: "environment" }, width: { ideal: 1280 }, height: { ideal: 960 } },
      });
      setState("on");
    } catch (error) {
      setState(error instanceof DOMException && error.name === "NotAllowedError" ? "refused" : "none");
    }
  }, [stop]);
  /** The element is there only once the camera is on. */
  const show = useCallback((element: HTMLVideoElement | null) => {
    video.current = element;
    if (element && stream.current) {
      element.srcObject = stream.current;
      void element.play().catch(() => undefined);
    }
  }, []);
  const take = useCallback(async (): Promise<Blob | null> => {
    const seen = video.current;
    if (!seen || seen.videoWidth === 0) return null;
    const scale = Math.min(1, SIDE / Math.max(seen.videoWidth, seen.videoHeight));
    const canvas = new OffscreenCanvas(
      Math.round(seen.videoWidth * scale),
      Math.round(seen.videoHeight * scale),
    );
    canvas.getContext("2d")?.drawImage(seen, 0, 0, canvas.width, canvas.height);
    return canvas.convertToBlob({ type: "image/jpeg", quality: QUALITY });
  }, []);
  return { state, start, stop, show, take };
}

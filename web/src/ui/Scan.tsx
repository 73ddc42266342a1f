import jsqr from "jsqr";
import { useEffect, useRef, useState } from "react";

/** Milliseconds between two looks. */
const EVERY = 150;

/** A button that reads a square code with the camera; typing always works too. */
export function Scan({ what, onRead }: { what: string; onRead: (text: string) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="btn btn-sm btn-outline"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {open ? "stop the camera" : `scan ${what}`}
      </button>
      {open && (
        <Camera
          onRead={(text) => {
            setOpen(false);
            onRead(text);
          }}
        />
      )}
    </>
  );
}

function Camera({ onRead }: { onRead: (text: string) => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const [trouble, setTrouble] = useState("");
  const read = useRef(onRead);
  read.current = onRead;
  useEffect(() => {
    let stream: MediaStream | undefined;
    let timer: ReturnType<typeof setInterval> | undefined;
    let gone = false;
    const look = () => {
      const text = video.current && seen(video.current);
      if (text) {
        read.current(text);
      }
    };
    const begin = async () => {
      if (!navigator.mediaDevices) {
        throw new Error("The browser gives no camera to this address.");
      }
      stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: "environment" } });
      if (gone || !video.current) {
        end(stream);
        return;
      }
      video.current.srcObject = stream;
      await video.current.play();
      timer = setInterval(look, EVERY);
    };
    begin().catch((e: Error) => !gone && setTrouble(e.message));
    return () => {
      gone = true;
      clearInterval(timer);
      end(stream);
    };
  }, []);
  return (
    <div className="w-full">
      {trouble ? (
        <p role="alert" className="text-[14px]">
          No camera: {trouble} Type it instead.
        </p>
      ) : (
        <video
          ref={video}
          muted
          playsInline
          aria-label="what the camera sees"
          className="border-base-content w-full max-w-sm rounded-[4px] border-[1.5px]"
        />
      )}
    </div>
  );
}

function end(stream: MediaStream | undefined) {
  for (const track of stream?.getTracks() ?? []) {
    track.stop();
  }
}

/** The text of a square code in the picture that a camera shows now. */
function seen(video: HTMLVideoElement): string | undefined {
  const { videoWidth: width, videoHeight: height } = video;
  const canvas = document.createElement("canvas");
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext("2d", { willReadFrequently: true });
  if (!context || width === 0) {
    return undefined;
  }
  context.drawImage(video, 0, 0);
  return jsqr(context.getImageData(0, 0, width, height).data, width, height)?.data || undefined;
}

import { type Result, fail, ok } from '@yosomi/core/base';
import { FRAMES_A_SECOND, type FilmWish, type Moments, type Timeline, i420 } from '@yosomi/core/motion';
import {
  BufferTarget,
  Mp4OutputFormat,
  Output,
  Quality,
  VideoSample,
  VideoSampleSource,
  WebMOutputFormat,
  getFirstEncodableVideoCodec,
} from 'mediabunny';

type Size = { readonly width: number; readonly height: number };

/** Bits for each pixel of each frame: so many that type stays crisp, and so few that nothing is left of it. */
const BEST = 0.16;
const LEAST = 0.012;
/** Of a limit so much is asked for: encoders do not hit it exactly. */
const AIMED = 0.9;
const COLOUR = { primaries: 'bt709', transfer: 'bt709', matrix: 'bt709', fullRange: false } as const;

/** A film as MP4 or WebM by the browser's own encoders, from its first frame on. Faults: `film-codec`, `film-too-large`. */
export async function video(
  kind: 'mp4' | 'webm',
  moments: Moments,
  timeline: Timeline,
  { width, height }: Size,
  { mostBytes, onProgress }: FilmWish,
): Promise<Result<Uint8Array<ArrayBuffer>>> {
  const seconds = timeline.frames.length / FRAMES_A_SECOND;
  const rate = (bits: number): number => Math.round(bits * width * height * FRAMES_A_SECOND);
  const wanted = mostBytes === null ? Infinity : (mostBytes * 8 * AIMED) / seconds;
  let bitrate = Math.max(rate(LEAST), Math.min(rate(BEST), wanted));
  const codec = await getFirstEncodableVideoCodec(kind === 'mp4' ? ['avc'] : ['vp9', 'vp8'], { width, height });
  if (!codec) return fail('film-codec', { format: kind });
  for (;;) {
    const bytes = await encoded(kind, codec, bitrate, moments, timeline, { width, height }, onProgress);
    if (mostBytes === null || bytes.length <= mostBytes) return ok(bytes);
    if (bitrate <= rate(LEAST)) return fail('film-too-large', { most: mostBytes, found: bytes.length });
    bitrate = Math.max(rate(LEAST), Math.floor(bitrate * Math.min(0.85, (AIMED * mostBytes) / bytes.length)));
  }
}

async function encoded(
  kind: 'mp4' | 'webm',
  codec: 'avc' | 'vp9' | 'vp8' | (string & {}),
  bitrate: number,
  moments: Moments,
  { frames }: Timeline,
  { width, height }: Size,
  onProgress: (done: number) => void,
): Promise<Uint8Array<ArrayBuffer>> {
  const target = new BufferTarget();
  const output = new Output({
    format: kind === 'mp4' ? new Mp4OutputFormat({ fastStart: 'in-memory' }) : new WebMOutputFormat(),
    target,
  });
  const source = new VideoSampleSource({
    codec: codec as 'avc',
    quality: new Quality({ bitrate }),
    keyFrameInterval: 2,
  });
  output.addVideoTrack(source, { frameRate: FRAMES_A_SECOND });
  await output.start();
  for (const [i, moment] of frames.entries()) {
    const { data, layout } = i420(await moments.get(moment));
    const sample = new VideoSample(data, {
      format: 'I420',
      codedWidth: width,
      codedHeight: height,
      layout: [...layout],
      timestamp: i / FRAMES_A_SECOND,
      duration: 1 / FRAMES_A_SECOND,
      colorSpace: COLOUR,
    });
    await source.add(sample);
    sample.close();
    onProgress((i + 1) / frames.length);
  }
  await output.finalize();
  return new Uint8Array(target.buffer!);
}

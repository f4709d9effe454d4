import { type Machine, machineOn } from './machine';
import { CUBIC, plainShader } from './plain';
import { type Filter, type Shader, type Sums, type Surface, plainLight } from './surface';
import { PAGE, type Textures, aligned } from './textures';

const shaders = new WeakMap<Textures, Shader>();

/** The shader of some textures, one for each: by the kernel, or by plain code where that cannot run. */
export function shaderOf(textures: Textures): Shader {
  const known = shaders.get(textures);
  if (known) return known;
  const machine = machineOn(textures.memory);
  const made = machine ? kernelShader(machine, textures) : plainShader(textures);
  shaders.set(textures, made);
  return made;
}

/** Bytes of one surface's record; see `shade` in the kernel for its fields. */
const RECORD = 144;
/** Bytes of scratch for a block of pixels. */
const BLOCK_BYTES = 592;
/** Pixels that are encoded at once. */
const LINE = 1024;

function kernelShader({ shade, encode }: Machine, { memory, used }: Textures): Shader {
  const start = aligned(used);
  const [wx, wy] = [start, start + 4096];
  const blockAt = wy + 2048;
  const tonesAt = blockAt + BLOCK_BYTES;
  const lineAt = tonesAt + 3 * 8192;
  const heap = lineAt + LINE * 4;
  let free = heap;
  let records = 0;
  let toned: Uint8Array | null = null;
  let line = new Uint8Array(0);

  /** Takes bytes at the end of what is used; the memory grows, and views of it must be made again. */
  function take(bytes: number): number {
    const at = free;
    free = aligned(free + bytes);
    const missing = free - memory.buffer.byteLength;
    if (missing > 0) memory.grow(Math.ceil(missing / PAGE));
    return at;
  }

  take(0);
  new Float32Array(memory.buffer, wx, 1024).set(CUBIC);
  new Int16Array(memory.buffer, wy, 1024).set(CUBIC.map((w) => Math.round(w * 16384)));

  function place(surfaces: readonly Surface[], { kind, taps }: Filter): void {
    free = heap;
    records = take(surfaces.length * RECORD);
    const copied = new Map<ArrayLike<number>, number>();
    const copy = (values: Float32Array): number => {
      const known = copied.get(values);
      if (known !== undefined) return known;
      const at = take(values.byteLength);
      new Float32Array(memory.buffer, at, values.length).set(values);
      copied.set(values, at);
      return at;
    };
    const levelsOf = (texture: NonNullable<Surface['texture']>): number => {
      const at = take(texture.length * 16);
      new Int32Array(memory.buffer, at, texture.length * 4).set(texture.flatMap((l) => [l.at, l.width, l.height, 0]));
      return at;
    };
    surfaces.forEach(({ a, b, g, u0, du, light, profile, texture, colour }, i) => {
      const { columns, rows, nodes } = light;
      const parts = [
        copy(nodes),
        columns,
        rows,
        profile ? copy(profile) : 0,
        profile?.length ?? 0,
        texture ? levelsOf(texture) : 0,
        texture?.length ?? 0,
        taps,
        kind === 'cubic' ? 1 : 0,
        light === plainLight && !profile ? 1 : 0,
      ];
      const at = records + i * RECORD;
      new Float64Array(memory.buffer, at, 11).set([...a, ...b, ...g, u0, du]);
      new Int32Array(memory.buffer, at + 88, parts.length).set(parts);
      new Float32Array(memory.buffer, at + 128, 4).set([...colour, 0]);
    });
  }

  function room(sums: number, bytes: number): ReturnType<Shader['room']> {
    const [from, to] = [take(sums * 16), take(bytes * 4)];
    // Views are made last: taking room can move the memory.
    return {
      sums: new Float32Array(memory.buffer, from, sums * 4).fill(0),
      bytes: new Uint8ClampedArray(memory.buffer, to, bytes * 4).fill(0),
    };
  }

  return {
    sums: (pixels) => room(pixels, 0).sums,
    room,
    place,
    shade: (surface: number, x: number, y: number, count: number, whole: number, sums: Sums, at: number) =>
      shade(records + surface * RECORD, x, y, count, whole, sums.byteOffset + at * 4, wx, blockAt),
    encode(sums, at, count, tones, out, o) {
      if (toned !== tones) {
        new Uint8Array(memory.buffer, tonesAt, tones.length).set(tones);
        toned = tones;
      }
      if (out.buffer === memory.buffer) return encode(sums.byteOffset + at * 4, count, out.byteOffset + o, tonesAt);
      if (line.buffer !== memory.buffer) line = new Uint8Array(memory.buffer, lineAt, LINE * 4);
      for (let n = 0; n < count; n += LINE) {
        const some = Math.min(LINE, count - n);
        encode(sums.byteOffset + (at + n * 4) * 4, some, lineAt, tonesAt);
        out.set(line.subarray(0, some * 4), o + n * 4);
      }
    },
  };
}

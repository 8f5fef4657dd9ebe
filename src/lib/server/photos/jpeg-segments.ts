/** Segments that tell of people, places and devices: EXIF and XMP, IPTC, comments. @source ITU-T T.81, table B.1; ISO 16684-3; IPTC IIM in JPEG */
const TELLING: ReadonlySet<number> = new Set([0xe1, 0xed, 0xfe]);
const START_OF_SCAN = 0xda;
const [FIRST_APPLICATION, LAST_APPLICATION] = [0xe0, 0xef];

interface Segment {
  readonly marker: number;
  /** Marker and length included. */
  readonly bytes: Uint8Array;
}
/** A JPEG before its first scan, segment by segment, and all that follows. */
interface Opened {
  readonly segments: readonly Segment[];
  readonly rest: Uint8Array;
}

/** @returns nothing for what is no JPEG @source ITU-T T.81, B.1.1.2 to B.1.1.4 */
function opened(bytes: Uint8Array): Opened | undefined {
  if (bytes[0] !== 0xff || bytes[1] !== 0xd8) return undefined;
  const segments: Segment[] = [];
  let at = 2;
  while (at + 4 <= bytes.length && bytes[at] === 0xff) {
    const marker = bytes[at + 1] as number;
    // Fill bytes, and markers without a length.
    if (marker === 0xff) {
      at++;
      continue;
    }
    if (marker === START_OF_SCAN || marker === 0x01 || (marker >= 0xd0 && marker <= 0xd9)) break;
    const length = 2 + (((bytes[at + 2] as number) << 8) | (bytes[at + 3] as number));
    segments.push({ marker, bytes: bytes.subarray(at, at + length) });
    at += length;
  }
  return { segments, rest: bytes.subarray(Math.min(at, bytes.length)) };
}
const START = Uint8Array.of(0xff, 0xd8);

/**
 * A JPEG without what its camera and other applications wrote into it; its picture, its profile and how its colors are told stay byte for byte.
 * What is no JPEG is given back as it is.
 */
export function bareJpeg(bytes: Uint8Array): Uint8Array {
  const found = opened(bytes);
  if (!found) return bytes;
  const kept = found.segments.filter(({ marker }) => !TELLING.has(marker)).map((segment) => segment.bytes);
  return Buffer.concat([START, ...kept, found.rest]);
}

/** Most bytes that one segment holds besides its length. */
const MOST = 65_533;

function segment(marker: number, name: string, data: Uint8Array): Uint8Array {
  const said = Buffer.from(`${name}\0`, 'latin1');
  const length = 2 + said.length + data.length;
  return Buffer.concat([Uint8Array.of(0xff, marker, length >> 8, length & 255), said, data]);
}

/** A color profile in as many segments as it takes. @source ICC.1:2022, annex B.4 */
function profileSegments(profile: Uint8Array): readonly Uint8Array[] {
  const room = MOST - 14;
  const count = Math.ceil(profile.length / room);
  return Array.from({ length: count }, (_, n) =>
    segment(0xe2, 'ICC_PROFILE', Buffer.concat([Uint8Array.of(n + 1, count), profile.subarray(n * room, (n + 1) * room)])),
  );
}

/** What is said of a picture as photo desks read it. */
export interface Said {
  readonly creator?: string | undefined;
  readonly copyright?: string | undefined;
}

/** Text of at most so many bytes, not cut within a letter. */
function within(text: string, most: number): Buffer {
  let kept = '';
  for (const letter of text) {
    if (Buffer.byteLength(kept + letter) > most) break;
    kept += letter;
  }
  return Buffer.from(kept);
}

/** @source IPTC-NAA Information Interchange Model 4.2: 1:90 (UTF-8), 2:00, 2:80 By-line of 32 bytes, 2:116 Copyright Notice of 128; kept in a JPEG as image resource 0x0404 */
function saidSegment({ creator, copyright }: Said): Uint8Array | undefined {
  if (!creator && !copyright) return undefined;
  const dataset = (record: number, number: number, value: Uint8Array) =>
    Buffer.concat([Uint8Array.of(0x1c, record, number, value.length >> 8, value.length & 255), value]);
  const told = Buffer.concat([
    dataset(1, 90, Uint8Array.of(0x1b, 0x25, 0x47)),
    dataset(2, 0, Uint8Array.of(0, 4)),
    ...(creator ? [dataset(2, 80, within(creator, 32))] : []),
    ...(copyright ? [dataset(2, 116, within(copyright, 128))] : []),
  ]);
  const size = Buffer.alloc(4);
  size.writeUInt32BE(told.length);
  const resource = [Buffer.from('8BIM', 'latin1'), Uint8Array.of(0x04, 0x04, 0, 0), size, told, Buffer.alloc(told.length % 2)];
  return segment(0xed, RESOURCES, Buffer.concat(resource));
}

/** What a segment with image resources begins with, byte for byte: readers look for it (from memory; read back by exiftool in the tests). */
const RESOURCES = Buffer.from('50686f746f73686f7020332e30', 'hex').toString('latin1');

/** A JPEG with a profile and what is said of it, behind all else that applications wrote before its picture. */
export function toldJpeg(bytes: Uint8Array, { profile, said }: { readonly profile?: Uint8Array; readonly said: Said }): Uint8Array {
  const found = opened(bytes);
  if (!found) return bytes;
  const before = found.segments.findIndex(({ marker }) => marker < FIRST_APPLICATION || marker > LAST_APPLICATION);
  const [first, last] = [found.segments.slice(0, before), found.segments.slice(before)];
  const own = saidSegment(said);
  return Buffer.concat([
    START,
    ...first.map((each) => each.bytes),
    ...(profile ? profileSegments(profile) : []),
    ...(own ? [own] : []),
    ...last.map((each) => each.bytes),
    found.rest,
  ]);
}

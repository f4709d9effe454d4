import type { Device } from './screen';

/** A reader's library: this book first, made-up neighbours without covers beside it. */
export function LibraryView({
  device,
  cover,
  title,
  author,
}: {
  device: Device;
  cover: string | null;
  title: string;
  author: string;
}) {
  const k = device.shownPx / device.widthPx;
  return (
    <div
      className="absolute top-0 left-0 flex flex-col bg-[#f4f3f0] text-[#222]"
      style={{ width: device.widthPx, height: device.heightPx, transform: `scale(${k})`, transformOrigin: '0 0' }}
    >
      <p className="px-5 pt-5 pb-3 text-[22px] font-semibold">Library</p>
      <div className="grid grid-cols-2 gap-x-5 gap-y-4 px-5">
        <div className="flex flex-col gap-1.5">
          {cover ? (
            <img src={cover} alt={`Cover of ${title}`} className="h-[216px] w-full object-contain object-left-bottom" />
          ) : (
            <span className="flex h-[216px] items-center justify-center border border-[#999] bg-white p-3 text-center text-[15px]">
              {title}
            </span>
          )}
          <span className="line-clamp-2 text-[14px] leading-tight font-semibold">{title || 'No title'}</span>
          <span className="truncate text-[13px] text-[#555]">{author}</span>
        </div>
        {['#c9c2b4', '#b9c3c6', '#c6b9bd'].map((colour) => (
          <div key={colour} className="flex flex-col gap-1.5" aria-hidden>
            <span className="h-[216px] w-[135px]" style={{ background: colour }} />
            <span className="h-3 w-28 bg-[#d8d6d0]" />
            <span className="h-2.5 w-20 bg-[#e2e0da]" />
          </div>
        ))}
      </div>
    </div>
  );
}

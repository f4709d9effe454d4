import { Node, mergeAttributes } from '@tiptap/core';
import { NodeViewContent, type NodeViewProps, NodeViewWrapper, ReactNodeViewRenderer } from '@tiptap/react';
import { Check } from '../../ui/check';
import { useSmallPicture } from '../../work/booklets';
import { Bitmap } from '../../ui/bitmap';

const box = 'my-3 rounded-sm border border-line bg-paper px-3 py-2';
const field = 'w-full rounded-sm border border-edge bg-card px-2 py-1';

/** Keys typed into a field of a node are the field's own. */
const own = { onKeyDown: (e: { stopPropagation(): void }) => e.stopPropagation() };

function Field(props: { label: string; value: string; hint?: string; onChange(value: string): void }) {
  return (
    <label className="flex flex-col gap-0.5">
      <span className="text-xs text-ink-2">{props.label}</span>
      <input
        {...own}
        className={field}
        value={props.value}
        placeholder={props.hint}
        onChange={(e) => props.onChange(e.target.value)}
      />
    </label>
  );
}

function TipView() {
  return (
    <NodeViewWrapper className={box} data-block>
      <p contentEditable={false} className="text-xs text-ink-2">
        Tip
      </p>
      <NodeViewContent />
    </NodeViewWrapper>
  );
}

function ButtonView({ node, updateAttributes }: NodeViewProps) {
  const { label, url } = node.attrs as { label: string; url: string };
  return (
    <NodeViewWrapper className={box} contentEditable={false} data-block>
      <p className="pb-1 text-xs text-ink-2">Button</p>
      <div className="grid grid-cols-2 gap-2">
        <Field label="What it says" value={label} onChange={(label) => updateAttributes({ label })} />
        <Field label="Where it leads" value={url} hint="https://" onChange={(url) => updateAttributes({ url })} />
      </div>
    </NodeViewWrapper>
  );
}

function PictureView({ node, updateAttributes }: NodeViewProps) {
  const { asset, alt, caption, wide } = node.attrs as { asset: string; alt: string; caption: string; wide: boolean };
  const { data } = useSmallPicture(asset);
  return (
    <NodeViewWrapper className={box} contentEditable={false} data-block>
      <p className="pb-1 text-xs text-ink-2">Picture</p>
      <div className="flex gap-3">
        {data ? (
          <Bitmap bitmap={data} label="" className="max-h-24 w-20 shrink-0 object-contain" />
        ) : (
          <span className="h-20 w-20 shrink-0 bg-line" />
        )}
        <div className="flex flex-1 flex-col gap-2">
          <Field
            label="What it shows, for those who cannot see it"
            value={alt}
            onChange={(alt) => updateAttributes({ alt })}
          />
          <Field label="Caption" value={caption} onChange={(caption) => updateAttributes({ caption })} />
          <Check label="As wide as the page allows" checked={wide} onChange={(wide) => updateAttributes({ wide })} />
        </div>
      </div>
    </NodeViewWrapper>
  );
}

/** Advice set apart from the text. */
export const TipNode = Node.create({
  name: 'tip',
  group: 'block',
  content: 'block+',
  defining: true,
  parseHTML: () => [{ tag: 'aside' }],
  renderHTML: ({ HTMLAttributes }) => ['aside', mergeAttributes(HTMLAttributes), 0],
  addNodeView: () => ReactNodeViewRenderer(TipView),
});

/** A link that cannot be missed. */
export const ButtonNode = Node.create({
  name: 'button',
  group: 'block',
  atom: true,
  addAttributes: () => ({ label: { default: '' }, url: { default: '' } }),
  parseHTML: () => [{ tag: 'div[data-button]' }],
  renderHTML: ({ node }) => ['div', { 'data-button': '' }, String(node.attrs.label)],
  addNodeView: () => ReactNodeViewRenderer(ButtonView),
});

/** A picture of the title. */
export const PictureNode = Node.create({
  name: 'picture',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({
    asset: { default: '' },
    alt: { default: '' },
    caption: { default: '' },
    wide: { default: false },
  }),
  parseHTML: () => [{ tag: 'figure[data-asset]' }],
  renderHTML: ({ node }) => ['figure', { 'data-asset': String(node.attrs.asset) }],
  addNodeView: () => ReactNodeViewRenderer(PictureView),
});

import { PDFArray, PDFDict, type PDFDocument, PDFNumber, type PDFPage, PDFRef } from '@cantoo/pdf-lib';
import { itemsOf, numberOf, numbersOf, pdfName as name } from './objects';

/**
 * In a file that is tagged, gives each link a node at the end of its structure, so that who reads it aloud finds it (ISO 32000, 14.7.4). True
 * where the file has no structure, or all links are in it now; false where its structure cannot be added to.
 */
export function tagLinks(
  doc: PDFDocument,
  links: readonly { readonly page: PDFPage; readonly note: PDFRef }[],
): boolean {
  const { context, catalog } = doc;
  const root = catalog.lookup(name('StructTreeRoot'));
  if (!(root instanceof PDFDict) || links.length === 0) return true;
  const rootRef = catalog.get(name('StructTreeRoot'));
  const tree = root.lookup(name('ParentTree'));
  const treeRef = root.get(name('ParentTree'));
  const next = root.lookup(name('ParentTreeNextKey'));
  const top = topOf(root);
  if (!(tree instanceof PDFDict) || !(treeRef instanceof PDFRef) || !(rootRef instanceof PDFRef) || !top) return false;
  const limits = limitsOf(tree, 0);
  if (!limits) return false;
  let key = Math.max(next instanceof PDFNumber ? next.asNumber() : 0, limits[1] + 1);
  const first = key;
  const nums: (PDFNumber | PDFRef)[] = [];
  for (const { page, note } of links) {
    const node = context.register(
      context.obj({
        Type: 'StructElem',
        S: 'Link',
        P: top.ref,
        Pg: page.ref,
        K: [{ Type: 'OBJR', Obj: note, Pg: page.ref }],
      }),
    );
    top.kids.push(node);
    context.lookup(note, PDFDict).set(name('StructParent'), PDFNumber.of(key));
    nums.push(PDFNumber.of(key++), node);
  }
  const leaf = context.register(context.obj({ Nums: nums, Limits: [first, key - 1] }));
  // The tree as it was becomes one branch, what is new another.
  tree.set(name('Limits'), context.obj(limits));
  root.set(name('ParentTree'), context.register(context.obj({ Kids: [treeRef, leaf] })));
  root.set(name('ParentTreeNextKey'), PDFNumber.of(key));
  return true;
}

/** The node that holds all others, with its children as an array that can grow. */
function topOf(root: PDFDict): { ref: PDFRef; kids: PDFArray } | null {
  const { context } = root;
  const entry = root.get(name('K'));
  const list = root.lookup(name('K'));
  const ref = list instanceof PDFArray ? list.get(0) : entry;
  const node = ref instanceof PDFRef ? context.lookup(ref) : null;
  if (!(ref instanceof PDFRef) || !(node instanceof PDFDict)) return null;
  const own = node.lookup(name('K'));
  if (own instanceof PDFArray) return { ref, kids: own };
  const entryOf = node.get(name('K'));
  const kids = context.obj(entryOf ? [entryOf] : []);
  node.set(name('K'), kids);
  return { ref, kids };
}

/** The least and the largest number of a number tree. */
function limitsOf(node: PDFDict, depth: number): [number, number] | null {
  const told = numbersOf(node.lookup(name('Limits')));
  if (told.length === 2) return [told[0], told[1]];
  const kids = depth < 10 ? itemsOf(node.lookup(name('Kids'))) : [];
  const below = kids.flatMap((kid) => (kid instanceof PDFDict ? (limitsOf(kid, depth + 1) ?? []) : []));
  const own = itemsOf(node.lookup(name('Nums')), 400_000).flatMap((one, i) =>
    i % 2 === 0 ? (numberOf(one) ?? []) : [],
  );
  const all = [...own, ...below];
  return all.length > 0 ? [all.reduce((a, b) => Math.min(a, b)), all.reduce((a, b) => Math.max(a, b))] : null;
}

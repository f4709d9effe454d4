import type { Fault } from '@yosomi/core/base';
import { toast } from 'sonner';
import { sentenceOf } from './sentences';

/** Shows a fault as one sentence, long enough to be read. */
export const sayFault = (fault: Fault): void => void toast.error(sentenceOf(fault), { duration: 9000 });

/** Shows good news, with a way back where there is one. */
export function say(text: string, back?: { label: string; run(): void }): void {
  toast(text, { duration: 6000, action: back ? { label: back.label, onClick: back.run } : undefined });
}

import { type Campaign, type Message, type MessageKind, type Style, newCampaign, plainStyle } from '../promo';

type Said = Partial<Omit<Message, 'kind' | 'wordings'>> & { headline?: string; line?: string };

function campaign(
  id: string,
  name: string,
  kind: MessageKind,
  { headline, line, ...said }: Said,
  style: Partial<Style>,
  formats: readonly string[] | null = null,
): Campaign {
  const plain = newCampaign(id, name, kind);
  const wording = { headline: headline ?? null, line: line ?? null };
  return {
    ...plain,
    message: { ...plain.message, ...said, wordings: [wording] },
    style: { ...plainStyle, ...style },
    formats: formats ? [...formats] : plain.formats,
  };
}

/** What the demo books say of themselves, by the book's id. */
export const demoCampaigns: Readonly<Record<string, readonly Campaign[]>> = {
  'demo-balcony-moss': [
    campaign(
      'guide',
      'Seven mosses',
      'magnet',
      {
        headline: 'Seven Mosses for Beginners',
        line: 'What grows on your balcony already, and how to keep it',
        call: 'Get the guide',
        link: 'fernhollow.example/seven',
        badge: 'Free',
      },
      { look: 'desk' },
      ['square', 'upright', 'link', 'poster', 'mail'],
    ),
  ],
  'demo-lamplighter-1': [
    campaign(
      'release',
      'Release week',
      'announcement',
      {
        line: 'The Lamplighter Accounts begin',
        call: 'Read chapter one',
        link: 'fernhollow.example/foxfire',
        date: '2026-12-03',
      },
      { look: 'dusk' },
    ),
    campaign(
      'praise',
      'Praise',
      'endorsement',
      {
        quotation: 'A lamp of a book. I read it by its own light',
        name: 'Petra Vane',
        where: 'The Saltmere Reader',
        call: 'Read chapter one',
      },
      { look: 'said' },
      ['square', 'upright', 'wide'],
    ),
  ],
  'demo-lamplighter-2': [
    campaign(
      'offer',
      'Night price',
      'offer',
      { price: { amount: 0.99, currency: 'USD' }, date: '2026-12-10', call: 'Buy it tonight' },
      { look: 'carried' },
      ['square', 'tall'],
    ),
  ],
  'demo-lamplighter-3': [
    campaign(
      'series',
      'All three',
      'series',
      { line: 'Three accounts, one debt', call: 'Start with the first' },
      { look: 'row' },
      ['square', 'wide', 'header'],
    ),
    campaign(
      'reveal',
      'Cover reveal',
      'reveal',
      { headline: 'Something is coming with the snow', date: '2026-12-01' },
      { look: 'wrapped' },
      ['square', 'upright'],
    ),
  ],
  'demo-weather-voices': [
    campaign(
      'reading',
      'A reading',
      'event',
      { date: '2026-12-12', time: '19:30', place: 'Saltmere Library', call: 'Keep a chair' },
      { look: 'framed' },
      ['square', 'upright'],
    ),
  ],
};

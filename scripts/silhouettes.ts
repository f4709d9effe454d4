import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { readSvg } from '@yosomi/core/vector';
import { ROOT } from '@yosomi/node-kit';

/**
 * Writes assets/symbols/silhouettes/: of an open set of detailed silhouettes those that stand for a thing, a creature or a person in the
 * world. `names.json` is small and read first; outlines come in packets, read as they are looked at. Signs of play and of
 * interfaces, of makers, states and quarrels of our days, and worlds that belong to somebody are left out.
 */
const PACKET = 64;

/** A name with one of these words in it is none of ours. */
const WORDS = new Set(
  `abstract meeple card cards dice d4 d6 d8 d10 d12 d20 rank level player button check-mark chess tarot slash slashes strike strikes shot shots aura beam
  beams blast bolt burst energy spell orb orbs goo gooey blob slime swap target targeted targeting laser mech mecha minion minions armor armour wound
  wounds upgrade downgrade logic brick health healing damage impact impacts spin cast punch kick stomp bash bite-blade pummeled dash explosion
  shuriken claws-slash gun guns rifle pistol pistols shotgun rounds bullets bullet ammo grenade missile bomb bomber bombs bombing turret cannon minigun revolver uzi glock ak47
  ak47u weapon weapons mine minefield tank trench assault barracks conquest objective zone area download upload wifi database processor cpu
  flag flags hazard-sign sign-warning toggle toggles knob settings arrow arrows arrowhead arrowheads arrowed shield shields blade blades saber sabres sabers mace flail
  halberd gauntlet bracer bracers pauldrons cuirass helm tentacle tentacles tentacled mouth-watering zombie skeletal decapitation severed gore bloody bleeding
  vomiting turd suicide slavery nuclear radioactive biohazard virus hypodermic syringe pill pills medical medicine medicines drip infested fleshy body bodies parasite
  symbol glyph emblem ensign rune invisible convergence divergence misdirection distraction concentration duality psychic radial striking
  spiked serrated edged barbed spiky charged flaming frozen burning glowing shining shattered broken-shield cracked splinter
  crosshair reticule radar sonic supersonic hypersonic plasma ray thrust propulsion jet jetpack
  robot robots bot cyborg android cyber nano drone console gamepad joystick controller cursor computer computing server keyboard phone smartphone laptop tablet usb vhs
  golem goblin orc ogre demon daemon overlord imp warlock warlord overmind alien aliens mutant monster grasp
  axe axes hatchet hatchets sword swords swordman swordwoman dagger daggers knife knives gladius katana spear spears trident bow bows crossbow weapon quiver
  fist biceps muscle muscular torso finger-button underwear bra loincloth
  police barricade handcuffed handcuffs manacles prisoner imprisoned guillotine gibbet gallows noose torture executioner
  thermometer checkbox checklist chart diagram histogram files folder tick token pawn
  tetris conway tic battery`.split(/\s+/),
);

/** Single names that are left out: worlds and makers that belong to somebody, signs of hatred, and what looked poor or was nothing one could name. */
const NAMES = new Set(
  `achilles-heel achievement all-for-one allied-star annexation anarchy anthem apollo-capsule aspergillum at-sea auto-repair avoidance awareness back-forth back-pain
  backstab backup backward-time bad-breath bad-gnome balkenkreuz ball-glow batteries behold big-gear black-bar blackball booze boss-key boulder-dash
  bullet-bill bullseye bully-minion butterfly-warning buy-card cancel cash cement-shoes chalk-outline-murder champions character charging choice circuitry clash click
  companion-cube confirmed confrontation congress contract converse converse-shoe convict convince credits-currency cubeforce cultist cycle death-juice death-note death-star deathcab dead-eye
  deku-tree delighted despair detonator detour diablo-skull dig-dug dig-hole digital-trace direwolf disintegrate distress-signal divert dodge dodging doubled dozen dragon-balls dread
  dreadnought drop-weapon duel dunce-cap duration echo-ripples elevator embrassed-energy encirclement encrypted-channel energise enrage evasion expand expander expense explosive-materials
  explosive-meeting extra-time extra-vision fallout-shelter fast-arrow fat fetus fission focused-lightning fragmented-sword freemasonry game-console gloop
  gluttony gluttonous-smile grapple groundbreaker gunshot halt hammer-break hammer-drop hammer-sickle hamburger-menu harry-potter-skull headshot head-shot help hexes hidden high-punch high-shot
  hobbit-door hobbit-dwelling holosphere holy-hand-grenade human-target hive-mind hypersonic-melon iron-cross id-card implosion inauguration info injustice interdiction inner-self internal-injury
  internal-organ james-bond-aperture jason-mask joint key-card klingon koholint-egg lambda leak led liar life-bar life-support life-tap load locked-fortress luchador
  mass-driver materials-science matter-states megabot metroid microchip mighty-boosh mighty-force mimic-chest moebius-star moncler-jacket morbid-humour morph-ball movement-sensor multi-directions mute
  mucous-pillar network-bars next-button nodular nothing-to-say occupy on-sight on-target one-eyed oppidum oppression overdose overdrive overhead overkill p90 path-distance
  pay-money perpendicular-rings person piece-skull pin pinball-flipper platform play-button pokecog polar-star position-marker pounce power-button power-lightning power-ring previous-button processor profit progression
  pull pulse push pyromaniac quake-stomp quick-man rally-the-troops rapidshare-arrow reactor receive-money recycle relationship-bounds resize resonance revolt ricochet robber-hand rss rupee run
  saiyan-suit samus-helmet save save-arrow screen-impact select self-love sell-card sensuousness share sheikah-eye shrug sideswipe sight-disabled silenced six-eyes skid-mark skills slap
  smart smash-arrows snatch snitch-quidditch-ball sound-off sound-on spatter spawn-node spectre-m4 spill splurt spock-hand spoutnik squib stabbed-note stahlhelm star-gate starfighter staryu static
  static-guard stockpiles strafe strong struck super-mushroom surprised suspicious swallow swallower swipe-card take-my-money team-downgrade team-idea team-upgrade tear telefrag telepathy teleport terror
  tesla texas think throwing-ball thwomp time-synchronization time-trap tinker trade trample transform transfuse trail triforce triorb tron-arrow tripwire trigger-hurt tumor twirl-center ubisoft-sun
  unbalanced uncertainty underhand unfriendly-fire union-jack unlocking unplugged upgrade uprising usable usa-flag van-damme-split vibrating-ball vote walking-scout wanted-reward warp-pipe wifi-router
  worried-eyes yin-yang zat-gun zig-arrow zigzag-cage zigzag-tune light-sabers thor-fist magnet-man ninja-velociraptor half-dead half-body-crawling monster-grasp blunderbuss brass-knuckles
  c96 famas fn-fal luger lee-enfield m3-grease-gun mp5 mp5k steyr-aug thompson-m1 thompson-m1928 walther-ppk winchester-rifle panzerfaust desert-eagle colt-m1911 cz-skorpion gps gym-bag
  bat-leth otamatone wolverine-claws bat-mask spider-mask thor-hammer sparkles millenium-key techno-heart thunderball thunder-struck vr-headset molotov stigmata switchblade
  artificial-intelligence automatic-sas autogun attack-gauge afterburn air-force air-zigzag ascending-block azul-flake brain-dump brain-freeze brain-leak brainstorm clout cogsplosion crafting
  demolish defibrilate eclipse-saw egg-defense entangled-typhoon evil-fork fall-down fire-ace firewall floating-platforms forward-field frostfire grab gift-trap laserburn lamellar lightning-arc
  lightning-dissipation lightning-dome lightning-electron lightning-frequency lightning-helix lightning-mask lightning-shadow lightning-shout lightning-spanner lost-limb lucifer mechanical-arm move
  multiple-targets octoman pentarrows-tornado plain-circle plain-square private private-first-class raise-skeleton regeneration riposte round-struck sergeant shambling-mound shatter sink spikes-full
  spikes-half spikes-init static-waves stick-splitting sticky-boot tearing thumb-down thumb-up time-dynamite transportation-rings triple-scratches unstable-projectile vertical-flip video-conference
  virtual-marker wind-slap zigzag-hieroglyph black-hole-bolas bone-gnawer amputation antibody anticlockwise-rotation clockwise-rotation arm-bandage bo apc pc burn catch ceiling-barnacle chat-bubble check-mark
  coma condylura-skull corporal corsica cross-mark crush crystalize dead-head eating edge-crack egg-eye eyestalk flamer flamethrower flamethrower-soldier fomorian foot-trip ghost-ally horrible hydra-shot
  circle square join look-at
  card-pickup hospital-cross suits spades diamonds clubs meeple ace-card poker-hand portal magic-portal pills hole contortionist body-swapping body-balance body-height screaming lovers love-injection
  female female-legs male nude pregnant kneeling ninja-armor ninja-heroic-stance uluru-sign nailed-foot nailed-head gold-scarab-sign sticking-plaster remedy chewed-heart chewed-skull chopped-skull mouth spit ragged-wound rough-wound large-wound`.split(
    /\s+/,
  ),
);

const NUMBERED = /-\d+$|^\d|perspective|-flag$|^flag-|blackhole|texas|extraction|inferno|bolter|chaingun|-drop$|^drop$/;

const wanted = (name: string): boolean =>
  !NUMBERED.test(name) && !NAMES.has(name) && !name.split('-').some((word) => WORDS.has(word));

type Set_ = { readonly icons: Readonly<Record<string, { readonly body: string }>> };
const { icons } = JSON.parse(
  readFileSync(join(ROOT, 'node_modules/@iconify-json/game-icons/icons.json'), 'utf8'),
) as Set_;

const drawn = Object.entries(icons).flatMap(([name, { body }]) => {
  if (!wanted(name)) return [];
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 512 512">${body.replaceAll('currentColor', '#000000')}</svg>`;
  const read = readSvg(new TextEncoder().encode(svg));
  if (!read.ok) throw new Error(`${name}: ${read.fault.code}`);
  const { ratio, paths } = read.value;
  const d = paths.map((path) => path.d.replace(/\d+\.\d+/g, (n) => String(Math.round(Number(n) * 10) / 10))).join('');
  // What is longer cannot stand in a part.
  return d.length > 39_000 ? [] : [{ id: name, ratio: Math.round(ratio * 1000) / 1000, d }];
});

const folder = join(ROOT, 'assets/symbols/silhouettes');
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
writeFileSync(join(folder, 'names.json'), `${JSON.stringify({ packet: PACKET, names: drawn.map(({ id }) => id) })}\n`);
for (let at = 0; at < drawn.length; at += PACKET) {
  const packet = drawn.slice(at, at + PACKET).map(({ ratio, d }) => ({ ratio, d }));
  writeFileSync(join(folder, `packet-${at / PACKET}.json`), `${JSON.stringify(packet)}\n`);
}
console.log(`${drawn.length} silhouettes of ${Object.keys(icons).length}`);

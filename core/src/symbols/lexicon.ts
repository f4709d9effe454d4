import { NOUNS } from './nouns';

/**
 * What nouns bring to mind, in four languages: each line says which words, and the symbols that stand for them, the plainest first. It is
 * ours, and small on purpose: what it does not know is looked for among the symbols' own words.
 */
/** English | German | French | Spanish | symbols. */
const TABLE = `
  night midnight evening | nacht mitternacht abend | nuit minuit soir | noche medianoche tarde | moon moon-stars star
  moon moonlight lunar | mond mondlicht | lune | luna | moon moon-stars
  day noon sun sunlight summer | tag mittag sonne sommer | jour midi soleil ete | dia mediodia sol verano | sun sun-horizon
  morning dawn sunrise breakfast daybreak | morgen dämmerung frühstück | matin aube | mañana alba amanecer | sun-horizon sun coffee
  sunset dusk horizon twilight | sonnenuntergang horizont zwielicht | crepuscule horizon | atardecer ocaso horizonte | sun-horizon
  star stars starlight constellation stellar | stern sterne | etoile etoiles | estrella estrellas | star star-four shooting-star
  sky heaven heavens | himmel | ciel | cielo | cloud star sun-horizon
  planet world earth orbit | planet welt erde | planete monde terre | planeta mundo tierra | planet globe-stand globe-hemisphere-west
  space galaxy void cosmos universe | weltraum galaxie kosmos all | espace galaxie cosmos | espacio galaxia cosmos | planet rocket meteor
  rocket ship launch starship | rakete | fusee | cohete | rocket rocket-launch
  comet meteor asteroid | komet meteor | comete meteore | cometa meteoro | meteor shooting-star
  rain weather drizzle | regen wetter | pluie temps | lluvia clima | cloud-rain umbrella drop
  storm thunder lightning tempest | sturm gewitter donner blitz | orage tempete tonnerre foudre | tormenta trueno rayo | lightning cloud-lightning tornado
  snow winter frost ice cold | schnee winter frost eis kälte | neige hiver gel glace froid | nieve invierno hielo frio | snowflake tree-evergreen mountains
  wind breeze gale | wind brise | vent brise | viento brisa | wind pinwheel feather
  cloud clouds fog mist | wolke wolken nebel | nuage brume brouillard | nube niebla bruma | cloud cloud-fog
  water tear tears drop | wasser träne tränen tropfen | eau larme larmes goutte | agua lagrima gota | drop waves
  sea ocean tide wave waves salt | meer see ozean flut welle salz | mer ocean vague sel | mar oceano ola sal | waves sailboat anchor
  river stream rivers lake | fluss strom bach | riviere fleuve lac | rio arroyo lago | waves bridge fish
  boat ship ferry harbour harbor sail | boot schiff fähre hafen segel | bateau navire port voile | barco puerto vela | sailboat boat anchor
  lighthouse beacon | leuchtturm | phare | faro | lighthouse
  island isle | insel | ile | isla | island tree-palm
  mountain mountains hill hills peak valley | berg berge hügel gipfel tal | montagne colline vallee | montaña colina valle | mountains flag-pennant
  road way journey path track reckoning | straße weg reise pfad | route chemin voyage | camino ruta viaje | road-horizon path signpost footprints
  map atlas inventory geography | karte atlas | carte atlas | mapa atlas | map-trifold compass compass-rose
  compass north east south west direction | kompass norden osten süden westen | boussole nord est sud ouest | brujula norte este sur oeste | compass-rose compass
  train trains railway freight rail station | zug züge bahn bahnhof fracht | train trains gare fret | tren trenes estacion | train train-regional tram
  car drive motor highway | auto fahrt | voiture | coche | car road-horizon steering-wheel
  bicycle bike cycling | fahrrad rad | velo bicyclette | bicicleta | bicycle
  plane flight airport fly | flugzeug flug | avion vol | avion vuelo | airplane airplane-tilt
  suitcase luggage travel abroad holiday | koffer reise urlaub | valise voyage vacances | maleta viaje vacaciones | suitcase airplane globe-stand
  house home cottage | haus heim hütte | maison foyer | casa hogar | house
  room rooms door doors hallway | zimmer raum tür türen | chambre piece porte | habitacion cuarto puerta | door-open door key
  key lock secret secrets | schlüssel schloss geheimnis | cle serrure secret | llave cerradura secreto | key keyhole
  city town towns street streets urban | stadt straße gasse | ville rue | ciudad calle | city buildings
  castle tower kingdom fortress throne | burg schloss turm königreich festung thron | chateau tour royaume | castillo torre reino | castle-turret crown sword
  king queen crown prince princess empire | könig königin krone prinz prinzessin reich | roi reine couronne prince princesse | rey reina corona principe princesa | crown castle-turret
  church god faith prayer saint | kirche gott glaube gebet | eglise dieu foi priere | iglesia dios fe oracion | church hands-praying
  bridge | brücke | pont | puente | bridge
  wall border | mauer grenze | mur frontiere | muro frontera | wall
  farm farmer field orchard harvest barn | hof bauer feld ernte scheune | ferme champ recolte | granja campo cosecha | barn grains tractor
  factory work industry machine machines | fabrik arbeit maschine maschinen | usine travail machine | fabrica trabajo maquina | factory wrench hammer
  tree trees wood woods forest forester | baum bäume wald wälder förster | arbre arbres foret bois | arbol arboles bosque | tree-evergreen tree acorn
  leaf leaves autumn | blatt blätter herbst | feuille feuilles automne | hoja hojas otoño | leaf tree
  moss lichen fern grass green | moos flechte farn gras | mousse lichen fougere herbe | musgo liquen helecho hierba | leaf clover plant
  garden gardens balcony plant plants seed | garten gärten balkon pflanze | jardin balcon plante | jardin balcon planta | potted-plant flower-tulip plant
  flower flowers bloom rose spring | blume blumen blüte rose frühling | fleur fleurs rose printemps | flor flores rosa primavera | flower flower-tulip flower-lotus
  apple apples fruit | apfel äpfel obst | pomme fruit | manzana fruta | cherries orange tree
  nut acorn oak | nuss eichel eiche | noix gland chene | nuez bellota roble | acorn tree
  desert cactus sand dune | wüste kaktus sand düne | desert cactus sable | desierto cactus arena | cactus sun
  bird birds wing wings heron crow raven swallow | vogel vögel flügel reiher krähe rabe | oiseau oiseaux aile heron corbeau | pajaro ave ala garza cuervo | bird feather
  feather quill writing letters | feder brief schreiben | plume lettre | pluma carta | feather scroll
  butterfly moth | schmetterling falter | papillon | mariposa | butterfly
  bee beetle insect bug | biene käfer insekt | abeille insecte | abeja insecto | bug-beetle bug
  fish fisherman | fisch fischer | poisson pecheur | pez pescador | fish
  horse rider | pferd reiter | cheval | caballo | horse
  rabbit hare | hase kaninchen | lapin | conejo liebre | rabbit
  animal beast wolf bear fox | tier bestie wolf bär fuchs | animal bete loup ours renard | animal bestia lobo oso zorro | paw-print
  fire flame ember burning foxfire heat | feuer flamme glut | feu flamme braise | fuego llama brasa | fire flame campfire
  smoke ash ashes cigarette | rauch asche | fumee cendre | humo ceniza | fire cigarette
  light lamp lantern candle lamplighter glow | licht lampe laterne kerze | lumiere lampe lanterne bougie | luz lampara farol vela | lamp-pendant lamp flashlight
  shadow dark darkness | schatten dunkel dunkelheit | ombre obscurite | sombra oscuridad | moon eyes ghost
  eye eyes look watch witness saw see | auge augen blick zeuge | oeil yeux regard temoin | ojo ojos mirada testigo | eyes hand-eye
  hand hands touch | hand hände | main mains | mano manos | hand hand-palm
  heart love lover kiss | herz liebe kuss | coeur amour baiser | corazon amor beso | heart
  bride wedding marriage promise | braut hochzeit ehe versprechen | mariee mariage promesse | novia boda promesa | heart champagne flower
  mother father daughter son family brother sister | mutter vater tochter sohn familie bruder schwester | mere pere fille fils famille frere soeur | madre padre hija hijo familia hermano hermana | house footprints tree
  child children baby | kind kinder | enfant enfants bebe | niños bebe | baby-carriage balloon rabbit
  boy girl man woman stranger nobody | junge mädchen mann frau fremder niemand | garcon fille homme femme | niño niña hombre mujer nadie | person footprints
  voice voices song | stimme stimmen lied | voix chanson | voz voces cancion | bird wind
  dream dreams sleep goodnight bed | traum träume schlaf bett | reve reves sommeil lit | sueño sueños cama | moon-stars cloud-moon bed
  mind thought thinks brain memory | geist gedanke gehirn erinnerung | esprit pensee cerveau memoire | mente pensamiento cerebro memoria | brain
  death dead bone grave killer murder | tod tot knochen grab mörder mord | mort os tombe meurtre | muerte hueso tumba asesino | skull bone knife
  blood wound | blut wunde | sang blessure | sangre herida | drop knife
  ghost spirit haunted haunting | geist gespenst spuk | fantome esprit | fantasma espiritu | ghost moon
  knife sword blade war battle soldier | messer schwert klinge krieg schlacht soldat | couteau epee guerre bataille soldat | cuchillo espada guerra batalla soldado | sword knife shield
  axe woodcutter | axt | hache | hacha | axe
  bomb explosion | bombe | bombe | bomba | bomb
  detective inspector case crime clue | detektiv kommissar fall verbrechen spur | detective inspecteur crime | detective inspector crimen | detective footprints keyhole
  law judge justice court | recht richter gerechtigkeit | loi juge justice | ley juez justicia | scales gavel
  debt money gold treasure invoice account accounts ledger | schuld geld gold schatz rechnung konto | dette argent or tresor compte | deuda dinero oro tesoro cuenta | scales treasure-chest scroll
  time hour hours clock year years late | zeit stunde stunden uhr jahr jahre | temps heure heures horloge annee | tiempo hora horas reloj año | hourglass clock watch
  book books story reader library | buch bücher geschichte bibliothek | livre livres histoire | libro libros historia | book-open books
  letter message envelope post | brief nachricht post | lettre message | carta mensaje | paper-plane-tilt scroll
  magic witch wizard spell | magie hexe zauberer | magie sorciere | magia bruja | star-four flask moon-stars
  mask theatre play | maske theater | masque theatre | mascara teatro | mask-sad
  music piano guitar | musik klavier gitarre | musique piano guitare | musica piano guitarra | guitar piano-keys
  bread kitchen cooking recipes table | brot küche kochen rezepte tisch | pain cuisine recettes table | pan cocina recetas mesa | cooking-pot fork-knife bread
  coffee tea cup | kaffee tee tasse | cafe the tasse | cafe te taza | coffee
  wine bottle | wein flasche | vin bouteille | vino botella | wine
  cake birthday sweet | kuchen geburtstag | gateau anniversaire | pastel cumpleaños | cake
  science crystal crystals chemistry atom physics | wissenschaft kristall chemie atom | science cristal chimie atome | ciencia cristal quimica atomo | atom flask dna
  glass | glas | verre | vidrio | hourglass flask
  ladder ladders climb | leiter leitern | echelle | escalera | ladder
  tool tools repair craft hammer | werkzeug handwerk hammer | outil marteau | herramienta martillo | hammer wrench
  thread yarn wool knitting needle | faden garn wolle nadel | fil laine aiguille | hilo lana aguja | yarn needle
  stone rock | stein fels | pierre roche | piedra roca | mountains
  umbrella shade | schirm | parapluie | paraguas | umbrella
  camp tent adventure wild | zelt abenteuer wildnis | tente aventure | tienda aventura | tent campfire compass
  balloon | ballon | ballon | globo | balloon
  rainbow | regenbogen | arc-en-ciel | arcoiris | rainbow rainbow-cloud
  egg | ei | oeuf | huevo | egg
  habit habits begin start | gewohnheit anfang | habitude debut | habito comienzo | sun-horizon flag-pennant coffee
  peace silence quiet calm | frieden stille ruhe | paix silence calme | paz silencio calma | flower-lotus feather
  pepper spice | pfeffer gewürz | poivre epice | pimienta especia | pepper
  devil angel hell | teufel engel hölle | diable ange enfer | diablo angel infierno | flame skull
  monster alien | monster | monstre | monstruo | alien ghost
  ring wheel circle | ring rad kreis | cercle roue | anillo rueda | steering-wheel planet
  victory winner prize | sieg gewinner preis | victoire prix | victoria premio | trophy medal
  gift present | geschenk | cadeau | regalo | gift
`;

const linesOf = (table: string): string[][] =>
  table
    .trim()
    .split('\n')
    .map((line) => line.trim().split(' | '));

const LINES = linesOf(TABLE);

/** A word without its marks, in small letters: "Garçon" and "garcon" are one. */
export const plainWord = (word: string): string =>
  word
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}-]/gu, '');

const LANGUAGES = ['en', 'de', 'fr', 'es'] as const;
type Language = (typeof LANGUAGES)[number];

const LEXICON = new Map(
  LANGUAGES.map((language, column) => {
    const words = new Map<string, string[]>();
    for (const line of LINES)
      for (const word of line[column].split(' ').map(plainWord))
        words.set(word, [...(words.get(word) ?? []), ...line[4].split(' ')]);
    return [language, words] as const;
  }),
);

/**
 * The symbols that a noun brings to mind, the plainest first; none for a word that is not here. In one of the four languages only where
 * that is said ("thé" is no English article), else in all of them.
 */
export function broughtToMind(word: string, language?: string): readonly string[] {
  const plain = plainWord(word);
  const own = LEXICON.get(language?.slice(0, 2) as Language);
  return own ? (own.get(plain) ?? []) : LANGUAGES.flatMap((one) => LEXICON.get(one)?.get(plain) ?? []);
}

/** For each language, the English words of the lines that hold a word. */
const englishOf = (lines: readonly string[][]): ReadonlyMap<Language, ReadonlyMap<string, readonly string[]>> =>
  new Map(
    LANGUAGES.map((language, column) => {
      const words = new Map<string, string[]>();
      for (const line of lines)
        for (const word of line[column].split(' ').map(plainWord))
          words.set(word, [...(words.get(word) ?? []), ...line[0].split(' ').map(plainWord)]);
      return [language, words] as const;
    }),
  );

const ENGLISH = englishOf([...linesOf(NOUNS), ...LINES]);
const DETAILED = englishOf(linesOf(NOUNS));

/** English words for a noun of things that only silhouettes show, in one language; none for another word. */
export const ofSilhouettes = (word: string, language: string): readonly string[] =>
  DETAILED.get(language.slice(0, 2) as Language)
    ?.get(plainWord(word))
    ?.toSorted((a, b) => Number(b === plainWord(word)) - Number(a === plainWord(word))) ?? [];

/** English words that say the same as a noun, or nearly, the nearest first; in one of the four languages where that is said, else in all. */
export function inEnglish(word: string, language?: string): readonly string[] {
  const plain = plainWord(word);
  const own = ENGLISH.get(language?.slice(0, 2) as Language);
  return own ? (own.get(plain) ?? []) : LANGUAGES.flatMap((one) => ENGLISH.get(one)?.get(plain) ?? []);
}

/** Nouns by which the silhouettes are found beside their own names. */
export const NOUN_WORDS: readonly string[] = linesOf(NOUNS).flatMap((line) => line.flatMap((cell) => cell.split(' ')));

/** All words that the lexicon knows. */
export const KNOWN_WORDS: readonly string[] = [...LEXICON.values()].flatMap((words) => [...words.keys()]);

/**
 * Nouns in four languages for things that only the detailed silhouettes show; those that plain symbols show too are in the lexicon. The
 * English words are parts of the silhouettes' names.
 */
/** English | German | French | Spanish. */
export const NOUNS = `
  owl | eule eulen uhu | hibou chouette | buho lechuza
  eagle | adler | aigle | aguila
  raven crow | rabe raben krähe krähen | corbeau corneille | cuervo corneja
  dove | taube tauben | colombe | paloma
  seagull | möwe möwen | mouette goeland | gaviota
  swan | schwan | cygne | cisne
  goose | gans | oie | oca ganso
  duck | ente | canard | pato
  stork heron crane | storch reiher kranich | cigogne heron grue | cigüeña garza grulla
  sparrow finch bird | spatz fink vogel | moineau pinson oiseau | gorrion pinzon pajaro
  rooster chicken | hahn huhn henne | coq poule | gallo gallina
  peacock parrot toucan | pfau papagei | paon perroquet | pavo loro
  flamingo penguin ostrich | flamingo pinguin strauß | flamant manchot autruche | flamenco pingüino avestruz
  hummingbird | kolibri | colibri | colibri
  vulture | geier | vautour | buitre
  wolf | wolf wölfe | loup loups | lobo lobos
  bear | bär bären | ours | oso osos
  fox | fuchs füchse | renard | zorro
  deer stag | hirsch reh rehe | cerf biche | ciervo
  boar pig | wildschwein schwein | sanglier cochon porc | jabali cerdo
  hedgehog porcupine | igel stachelschwein | herisson | erizo
  squirrel | eichhörnchen | ecureuil | ardilla
  badger beaver raccoon | dachs biber waschbär | blaireau castor | tejon castor mapache
  lion | löwe löwin | lion lionne | leon leona
  tiger | tiger | tigre | tigre
  elephant mammoth | elefant mammut | elephant mammouth | elefante mamut
  monkey gorilla | affe affen gorilla | singe gorille | mono gorila
  camel | kamel | chameau | camello
  goat | ziege | chevre | cabra
  sheep | schaf | mouton | oveja
  ram | widder bock | belier | carnero
  cow | kuh | vache | vaca
  bull | stier bulle | taureau | toro
  bison buffalo | büffel bison | bison | bufalo
  donkey | esel | ane | burro
  rabbit | kaninchen hase | lapin lievre | conejo liebre
  mouse | maus mäuse | souris | raton
  rat | ratte ratten | rat | rata
  bat | fledermaus fledermäuse | chauve-souris | murcielago
  snake cobra rattlesnake | schlange schlangen | serpent vipere | serpiente culebra
  frog tadpole | frosch frösche kröte | grenouille crapaud | rana sapo
  turtle tortoise | schildkröte | tortue | tortuga
  salamander gecko | salamander eidechse | salamandre lezard | salamandra lagarto
  shark | hai haie | requin | tiburon
  whale | wal wale | baleine | ballena
  dolphin | delfin | dauphin | delfin
  octopus squid | krake tintenfisch | pieuvre poulpe | pulpo calamar
  crab shrimp | krabbe krebs garnele | crabe crevette | cangrejo gamba
  seahorse | seepferdchen | hippocampe | caballito
  jellyfish coral | qualle koralle | meduse corail | medusa coral
  shell nautilus scallop oyster | muschel muscheln auster schnecke | coquillage coquille huitre | concha ostra caracola
  snail | schnecke | escargot | caracol
  spider cobweb | spinne spinnen spinnwebe | araignee toile | araña telaraña
  scorpion | skorpion | scorpion | escorpion alacran
  bee beehive honeycomb honey | biene bienen bienenstock honig wabe | abeille ruche miel | abeja colmena miel
  dragonfly | libelle | libellule | libelula
  beetle ladybug scarab | käfer marienkäfer | scarabee coccinelle | escarabajo mariquita
  ant ants | ameise ameisen | fourmi fourmis | hormiga hormigas
  worm maggot caterpillar | wurm made raupe | ver chenille | gusano oruga
  dinosaur velociraptor diplodocus | dinosaurier saurier | dinosaure | dinosaurio
  fossil ammonite trilobite | fossil versteinerung | fossile | fosil
  dragon wyvern | drache drachen | dragon | dragon
  unicorn pegasus | einhorn | licorne | unicornio
  mermaid siren | meerjungfrau nixe | sirene | sirena
  minotaur centaur griffin | minotaurus zentaur greif | minotaure centaure griffon | minotauro centauro grifo
  giant troll cyclops | riese troll zyklop | geant cyclope | gigante ogro ciclope
  dwarf | zwerg | nain | enano
  fairy | fee | fee | hada
  elf elven | elf | elfe | elfo
  wizard | zauberer | magicien | mago
  witch | hexe hexen | sorciere | bruja
  vampire | vampir | vampire | vampiro
  werewolf | werwolf | loup-garou | hombre-lobo
  skeleton | skelett | squelette | esqueleto
  skull | schädel totenkopf | crane | calavera craneo
  mummy sarcophagus | mumie sarkophag | momie sarcophage | momia sarcofago
  king | könig | roi | rey
  queen | königin | reine | reina
  throne | thron | trone | trono
  knight jester | ritter narr | chevalier bouffon | caballero bufon
  pirate | pirat piraten | pirate corsaire | pirata
  viking | wikinger | viking | vikingo
  samurai | samurai | samourai | samurai
  monk nun pope | mönch nonne papst | moine nonne pape | monje monja papa
  robber thief bandit | räuber dieb bandit | voleur bandit | ladron bandido
  spy sherlock | spion detektiv | espion detective | espia detective
  farmer scarecrow | bauer vogelscheuche | fermier epouvantail | granjero espantapajaros
  clown juggler | clown gaukler | clown jongleur | payaso malabarista
  dancer ballerina | tänzerin ballerina | danseuse ballerine | bailarina
  baby | säugling baby | bebe | bebe
  castle | burg schloss | chateau | castillo
  tower | turm | tour | torre
  church | kirche | eglise | iglesia
  temple pagoda | tempel pagode | temple pagode | templo pagoda
  pyramid pyramids sphinx | pyramide sphinx | pyramide sphinx | piramide esfinge
  ruins columns | ruine ruinen säule säulen | ruines colonnes | ruinas columnas
  windmill | windmühle mühle | moulin | molino
  well fountain | brunnen quelle | puits fontaine | pozo fuente
  barn stable granary | scheune stall speicher | grange etable | granero establo
  hut cabin village | hütte dorf | cabane village | cabaña aldea pueblo
  gate drawbridge | tor zugbrücke | porte-cochere pont-levis | portal porton
  ladder rope knot | leiter seil knoten | echelle corde noeud | escalera cuerda nudo
  graveyard tombstone coffin | friedhof grab grabstein sarg | cimetiere tombe cercueil | cementerio tumba ataud
  lantern torch candelabra | laterne fackel leuchter | lanterne torche chandelier | linterna antorcha candelabro
  hourglass sundial | sanduhr sonnenuhr | sablier cadran | reloj-de-arena
  sextant astrolabe telescope spyglass | sextant fernrohr teleskop | longue-vue telescope | catalejo telescopio
  quill scroll papyrus | feder schriftrolle | plume parchemin | pluma pergamino
  violin | geige violine | violon | violin
  harp | harfe | harpe | arpa
  drum | trommel | tambour | tambor
  trumpet | trompete | trompette | trompeta
  flute | flöte | flute | flauta
  piano | klavier | piano | piano
  accordion | akkordeon | accordeon | acordeon
  mask masks | maske masken | masque masques | mascara mascaras
  mirror | spiegel | miroir | espejo
  perfume lipstick | parfüm lippenstift | parfum rouge | perfume pintalabios
  earring necklace pearl | ohrring halskette perle perlen | collier perle | collar perla pendiente
  shoe boots stiletto | schuh schuhe stiefel | chaussure bottes | zapato botas
  hat fedora | hut hüte | chapeau | sombrero
  dress skirt corset | kleid rock korsett | robe jupe corset | vestido falda
  teapot coffee | teekanne kaffee | theiere cafe | tetera cafe
  bread croissant pretzel | brot brezel | pain croissant | pan
  cake cupcake pie | kuchen torte | gateau tarte | pastel tarta
  mushroom mushrooms chanterelles | pilz pilze | champignon champignons | seta setas hongo
  pumpkin corn wheat | kürbis mais weizen | citrouille mais ble | calabaza maiz trigo
  strawberry raspberry | erdbeere himbeere | fraise framboise | fresa frambuesa
  pear | birne | poire | pera
  peach | pfirsich | peche | melocoton
  plum | pflaume | prune | ciruela
  oak acorn | eiche eichel | chene gland | roble bellota
  ginkgo maple linden | ginkgo ahorn linde | ginkgo erable tilleul | ginkgo arce tilo
  poppy | mohn | coquelicot | amapola
  daisy | gänseblümchen | marguerite | margarita
  sunflower | sonnenblume | tournesol | girasol
  dandelion | löwenzahn pusteblume | pissenlit | diente-de-leon
  fern reed vine vines | farn schilf ranke ranken rebe | fougere roseau vigne | helecho junco vid
  volcano eruption | vulkan ausbruch | volcan eruption | volcan erupcion
  iceberg glacier | eisberg gletscher | iceberg glacier | iceberg glaciar
  cave | höhle höhlen | grotte caverne | cueva gruta
  desert cactus | wüste kaktus | desert cactus | desierto cactus
  waterfall | wasserfall | cascade | cascada
  swamp | sumpf moor | marais | pantano
  whirlwind tornado vortex | wirbelsturm strudel | tourbillon tornade | torbellino tornado remolino
  eclipse orbit galaxy | finsternis sonnenfinsternis | eclipse | eclipse
  submarine | unterseeboot u-boot | sous-marin | submarino
  zeppelin airship | zeppelin luftschiff | zeppelin dirigeable | zepelin dirigible
  locomotive railway | lokomotive dampflok | locomotive | locomotora
  caravel galleon trireme | karavelle galeone segelschiff | caravelle galion | carabela galeon
  wheelbarrow watering | schubkarre gießkanne | brouette arrosoir | carretilla regadera
  plow scythe sickle | pflug sense sichel | charrue faux faucille | arado guadaña hoz
  needle sewing spinning | nadel nähmaschine spinnrad | aiguille couture rouet | aguja costura rueca
  fishing | angel angeln fischer | peche pecheur | pesca pescador
  poison potion | gift trank | poison potion | veneno pocion
  microscope | mikroskop | microscope | microscopio
  maze | labyrinth irrgarten | labyrinthe | laberinto
  kite | drachen papierdrachen | cerf-volant | cometa
  puppet doll dolls | puppe puppen marionette | poupee marionnette | muñeca marioneta titere
  rocking | schaukelpferd schaukelstuhl | bascule | mecedora
  swing | schaukel | balançoire | columpio
  chair armchair sofa bed | stuhl sessel sofa bett | chaise fauteuil lit | silla sillon cama
  window curtains | fenster vorhang vorhänge | fenetre rideau | ventana cortina
`;

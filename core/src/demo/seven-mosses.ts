/** A sampler that goes with the moss book, in Markdown. `picture` is the name under which its picture is known. */
export const sevenMosses = (picture: string): string => `# Seven mosses for beginners

Moss asks for very little and gives back a great deal. It has no roots to feed, no flowers to deadhead, and it forgives a week of neglect so long as it is kept out of the hard noon sun. What it does ask for is patience, shade, and water that has not come straight from the tap.

These pages name seven mosses that settle easily on a balcony or a north-facing step. They tell you how to know each one in the hand and what it does well. Read them once before you gather anything; then keep them by the watering can.

> **One rule before all others.** Take moss only where you may, and never more than a hand’s breadth from any cushion. It will close over in a season; a bare stone takes ten years.

## What you need

- A shallow tray with holes, or a flat stone you can lift
- Rainwater in a bottle with a rose
- An old fork and a soft brush
- A notebook, because you will forget which came from where

## At a glance

| Moss | Light | Water | Takes hold in |
|---|---|---|---|
| Cushion | half shade | once a week | 4 weeks |
| Star | shade | every third day | 6 weeks |
| Feather | deep shade | daily mist | 8 weeks |
| Silver | full sun | almost none | 3 weeks |
| Broom | half shade | once a week | 6 weeks |
| Apple | wet shade | keep it wet | 10 weeks |
| Swan’s-neck | any | when you think of it | 2 weeks |

# Cushion moss

The pale green buttons on old roofs are the beginner’s friend. They come away whole, stand drying out and, pressed firmly on a wet stone, look settled from the first hour. Cushion moss grows in tight domes no larger than a plum. When dry it turns the colour of ash and seems quite dead; pour a cup of water over it and within a minute it is green again, which never stops being a small pleasure.

Set the domes with a thumb’s width between them. They want to be seen as hills, and hills want valleys. If two touch, the seam will brown by midsummer, and you will be picking at it in the evenings.

## How to know it

1. Press it: a cushion springs back, and leaves no fingerprint.
2. Look along its edge with a lens. The leaves end in fine silver hairs.
3. Wet it and count to sixty. It should have changed colour before you are done.

## Through the year

In spring it sends up copper threads, each with a bead at its end. Leave them; they are the whole of its summer. In August it sleeps. Do not be tempted to water at noon, for the domes scorch in rings. In October it wakes with the first cold rain and grows more in six weeks than in all the months before.

- [ ] March: brush off the winter’s leaves
- [ ] May: leave the threads alone
- [ ] August: move the tray out of the sun
- [ ] October: divide what has grown together

# Star moss

Taller, softer, and happiest where nothing else will grow: the foot of a wall, the shadow of a water butt, the corner where the cat sleeps. Seen from above each stem is a green star with a dark eye. It likes company and will knit into a carpet within two summers if you let it, climbing over gravel and the rims of pots with equal unconcern.

Plant it in pieces as large as a playing card. Press the soil first, wet it, lay the piece down and stand on it. It sounds rough; it is the best thing you can do. Air under a carpet is what kills it.

## When it sulks

Brown tips mean tap water. Pale stems mean too little light. A smell of cellar means that the tray has no holes, and you should have known better.

> **Rain in a bottle.** Keep two litres by the door. Rainwater that has stood for a day is as warm as the air, and moss that is cold at the foot does not drink.

# Feather moss

The one from the forest floor, laid in fronds like a fern that has been ironed. It needs more shade than the others and resents being moved, so choose its place with care and leave it there. A north wall, a cellar window, the inside of a broken jar: all of these will do.

Mist it in the morning. A spray bottle set to its finest is better than a can, since feather moss drinks through its leaves and takes nothing from below. Twice in a dry week is enough. In a heated room it will need it every day, and it will still be unhappy; this is a moss for outside the glass.

> If you grow only one for its looks, grow this. If you grow only one for its temper, grow the next.

## A jar for a dark corner

1. Choose a jar with a mouth as wide as your hand. Break nothing to get it; the market has plenty.
2. Put in two fingers of gravel and one of leaf mould, and wet both.
3. Lay the fronds so that all point one way, as if a stream had combed them.
4. Leave the lid off. A closed jar is a museum; an open one is a garden.

# Silver moss

You have walked on it every day of your life. Silver moss lives in the cracks of pavements, on kerbs, along the tops of walls where the sun is fierce and the rain runs off at once. It shines because the tips of its leaves hold no green at all; they are small mirrors that turn the noon away.

Lift it with a table knife in slabs no thicker than a coin. It takes to shallow dishes, roof tiles, the necks of bottles. Of the seven it is the only one that prefers to be forgotten.

## A dish for a windowsill

1. Choose a dish no deeper than your thumb is long.
2. Fill it with three parts sand and one part leaf mould, and wet it until it holds a print.
3. Lay the slabs edge to edge like paving, and press each one with the back of a spoon.
4. Stand it outside for a week before you bring it in.

# Broom moss

Every stem leans the same way, as though a door had been left open somewhere. Broom moss comes from the roots of beeches, and it keeps the manners of a wood: half shade, leaf litter, no hurry. It grows in tufts as high as a finger and holds them through the winter, when most of the balcony has given up.

Brush it as you would a cat, with the lean and never against it. What comes off can be pressed into a crack and will be a tuft of its own by the second spring.

## Good neighbours

- Cushion moss, for its roundness
- A single fern, no taller than the tufts
- One stone with a flat top, where the wren will stand

# Apple moss

In April it hangs out round green fruit on threads, each no larger than a grain of millet, and for three weeks there is nothing on the balcony that can be looked at for longer. The rest of the year it is a plain soft mat that asks for one thing: never to dry out.

Set it where the gutter drips, or stand its tray in a second one with a finger of water. If the fruit turn brown, they are ripe, and it has done what it came for. If the leaves turn brown, you went away for a weekend.

> **Two trays.** The upper one has holes and holds the moss. The lower one has none and holds the water. A strip of old wool from one to the other does the watering while you are gone.

# Swan’s-neck moss

The threads bend at the top before they straighten, and in the first warm week of the year a tray of them looks like a pond full of birds. It grows on anything: peat, brick, the felt of a shed. It is the moss that you will find in your pots without having asked, and you may as well be pleased.

Give it the place where others have failed. Then leave it alone, which is all that it ever wanted.

![Cushions of moss among wet stones in a tray, a railing and rain behind](${picture} "The first tray of the book, a year on: all seven, and one stone too many.")

# Where to go from here

Seven are enough for a first year. In the second you will want slopes, water that runs, and a stone that looks as if it had always lain there. *The Balcony Moss Garden* has forty landscapes small enough for a tray, each with its stones, its slope, and the patience that it needs.

**[Get the book](https://fernhollow.example/moss)**

## About the author

Ottoline Frew has kept moss on a balcony of four square metres for eleven years. She writes about small gardens for people who rent. Letters reach her at [ottoline@fernhollow.example](mailto:ottoline@fernhollow.example).
`;

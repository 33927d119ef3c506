/** Short words that are easy to say, to hear and to type. */
const words = (
    'anchor apple bakery basin beacon birch blanket bottle brass candle canvas cedar chalk cinder clover ' +
    'cobble copper cotton daisy dinner dolphin eagle ember fabric fern fiddle flannel forest gable garden ' +
    'ginger glacier granite hammer harvest hazel heron honey ivory jacket juniper kettle kitten ladder ' +
    'lantern lemon linen lobster magnet maple meadow mirror mustard nettle nutmeg oatmeal olive orchard ' +
    'otter oyster paddle pebble pepper pigeon pillow plum pocket poplar potato puffin quarry quilt rabbit ' +
    'raisin ribbon robin rocket saddle salmon shingle silver slate spindle sparrow thimble timber toffee ' +
    'tulip turnip umber velvet violin walnut willow window winter yarrow zebra'
).split(' ');

const length = 4;

/** A made-up phrase for a password that is told to others: four words by chance, some 26 bits. */
export function madeUpPhrase(): string {
    const chosen = crypto.getRandomValues(new Uint32Array(length));
    return [...chosen].map((number) => words[number % words.length]).join(' ');
}

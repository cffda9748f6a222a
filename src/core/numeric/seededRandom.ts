/**
 * A repeatable source of numbers in [0, 1) from any text seed. The text is hashed to 128 bits of state
 * (four rounds of a multiply-xorshift mix), which drives the sfc32 generator (Chris Doty-Humphrey, PractRand).
 * @example seededRandom("a")() === seededRandom("a")() // true
 */
export function seededRandom(seed: string): () => number {
  const [first, second, third, fourth] = hashText(seed);
  let a = first;
  let b = second;
  let c = third;
  let counter = fourth;
  const next = () => {
    const sum = (((a + b) | 0) + counter) | 0;
    counter = (counter + 1) | 0;
    a = b ^ (b >>> 9);
    b = (c + (c << 3)) | 0;
    c = (c << 21) | (c >>> 11);
    c = (c + sum) | 0;
    return (sum >>> 0) / 4294967296;
  };
  // Without a warm-up the first numbers of similar seeds resemble each other.
  for (let i = 0; i < 12; i++) next();
  return next;
}

function hashText(text: string): readonly [number, number, number, number] {
  const words: [number, number, number, number] = [1779033703, 3144134277, 1013904242, 2773480762];
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    words[0] = words[1] ^ Math.imul(words[0] ^ unit, 597399067);
    words[1] = words[2] ^ Math.imul(words[1] ^ unit, 2869860233);
    words[2] = words[3] ^ Math.imul(words[2] ^ unit, 951274213);
    words[3] = words[0] ^ Math.imul(words[3] ^ unit, 2716044179);
  }
  return words;
}

import type { Fact } from "@/core/fluency/fact";
import { factAnswer } from "@/core/fluency/factAnswer";

const STEP = 22;
const DOT = 8;
const FIVE = 5;
/** Sums up to this stand in ten frames, larger ones on a line. */
const MOST_IN_FRAMES = 20;

/** A fact as a picture: rows of dots, ten frames, or jumps on a number line; with words that lead from a fact that is easier. */
export function FactPicture({ fact }: { readonly fact: Fact }) {
  const answer = factAnswer(fact);
  const { operation, left, right } = fact;
  switch (operation) {
    case "multiply":
      return (
        <Shown words={productWords(left, right)}>
          {left * right > 0 ? <Rows rows={left} columns={right} /> : null}
        </Shown>
      );
    case "divide":
      return (
        <Shown words={`${answer} × ${right} = ${left}, so ${left} ÷ ${right} = ${answer}.`}>
          {left > 0 ? <Rows rows={answer} columns={right} /> : null}
        </Shown>
      );
    case "add":
      return (
        <Shown words={sumWords(left, right)}>
          {answer <= MOST_IN_FRAMES ? <Frames first={left} second={right} /> : <Line from={left} to={answer} />}
        </Shown>
      );
    case "subtract":
      return (
        <Shown words={`${right} + ${answer} = ${left}, so ${left} − ${right} = ${answer}.`}>
          <Line from={left} to={answer} />
        </Shown>
      );
  }
}

function Shown({ words, children }: { readonly words: string; readonly children: React.ReactNode }) {
  return (
    <figure className="space-y-3">
      {children}
      <figcaption className="text-[18px]">{words}</figcaption>
    </figure>
  );
}

/** A product from five rows, which most know, and the rest. */
function productWords(left: number, right: number): string {
  if (left === 0 || right === 0) return "Nought times anything is nought.";
  if (left === 1 || right === 1) return "One times a number is the number itself.";
  if (left > FIVE)
    return `${FIVE} rows of ${right} are ${FIVE * right}; ${left - FIVE} more ${left - FIVE === 1 ? "row" : "rows"} of ${right}: ${left * right}.`;
  return `${left} rows of ${right}: ${Array.from({ length: left }, (_, row) => (row + 1) * right).join(", ")}.`;
}

/** A sum over ten by way of ten. */
function sumWords(left: number, right: number): string {
  const [high, low] = left >= right ? [left, right] : [right, left];
  const toTen = 10 - high;
  if (high < 10 && left + right > 10) return `${high} and ${toTen} are 10; ${low - toTen} more: ${left + right}.`;
  if (left === right) return `Twice ${left} is ${2 * left}.`;
  return `Start at ${high} and go ${low} on: ${left + right}.`;
}

function Rows({ rows, columns }: { readonly rows: number; readonly columns: number }) {
  return (
    <svg
      role="img"
      aria-label={`${rows} rows of ${columns} dots`}
      width={columns * STEP}
      height={rows * STEP + (rows > FIVE ? STEP / 2 : 0)}
    >
      {Array.from({ length: rows }, (_, row) =>
        Array.from({ length: columns }, (_, column) => (
          <circle
            key={`${row} ${column}`}
            cx={column * STEP + STEP / 2}
            cy={row * STEP + STEP / 2 + (row >= FIVE ? STEP / 2 : 0)}
            r={DOT}
            className={row < FIVE ? "fill-water" : "fill-level-0 stroke-ink"}
          />
        )),
      )}
    </svg>
  );
}

function Frames({ first, second }: { readonly first: number; readonly second: number }) {
  const frames = first + second > 10 ? 2 : 1;
  const cell = STEP + 6;
  return (
    <svg
      role="img"
      aria-label={`${first} and ${second} dots in frames of ten`}
      width={frames * (FIVE * cell + cell)}
      height={2 * cell + 2}
    >
      {Array.from({ length: frames * 10 }, (_, place) => {
        const x = Math.floor(place / 10) * (FIVE * cell + cell) + (place % FIVE) * cell + 1;
        const y = (Math.floor(place / FIVE) % 2) * cell + 1;
        return (
          <g key={`${x} ${y}`}>
            <rect x={x} y={y} width={cell} height={cell} className="stroke-ink fill-none" />
            {place < first + second ? (
              <circle
                cx={x + cell / 2}
                cy={y + cell / 2}
                r={DOT + 1}
                className={place < first ? "fill-water" : "fill-level-0 stroke-ink"}
              />
            ) : null}
          </g>
        );
      })}
    </svg>
  );
}

/** A jump on a number line, by way of the next ten where it goes over one. */
function Line({ from, to }: { readonly from: number; readonly to: number }) {
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  const [first, last] = [Math.max(0, low - 2), high + 2];
  const x = (value: number) => 20 + ((value - first) * 560) / Math.max(1, last - first);
  const ten = Math.floor(high / 10) * 10;
  const over = ten > low && ten < high;
  const stops = from < to ? [from, ...(over ? [ten] : []), to] : [from, ...(over ? [ten] : []), to];
  return (
    <svg
      role="img"
      aria-label={`a number line from ${from} to ${to}`}
      viewBox="0 0 600 90"
      className="w-full max-w-[600px]"
    >
      <line x1={10} x2={590} y1={60} y2={60} className="stroke-ink" strokeWidth={2} />
      {Array.from({ length: last - first + 1 }, (_, step) => first + step).map((value) => (
        <line key={value} x1={x(value)} x2={x(value)} y1={54} y2={66} className="stroke-mute" />
      ))}
      {stops.slice(1).map((stop, place) => {
        const begin = stops[place] ?? stop;
        return (
          <path
            key={stop}
            d={`M ${x(begin)} 56 Q ${(x(begin) + x(stop)) / 2} 5 ${x(stop)} 56`}
            className="stroke-water fill-none"
            strokeWidth={3}
          />
        );
      })}
      {stops.map((stop) => (
        <text key={stop} x={x(stop)} y={84} textAnchor="middle" className="fill-ink text-[16px]">
          {stop}
        </text>
      ))}
    </svg>
  );
}

import { MathText } from "./MathText";

/** The small table in an item; "?" is the empty cell. */
export function NumberTable({
  rows,
}: {
  readonly rows: readonly { readonly label: string; readonly cells: readonly string[] }[];
}) {
  if (rows.length === 0) return null;
  return (
    <table className="my-4 border-collapse">
      <tbody>
        {rows.map(({ label, cells }) => (
          <tr key={label}>
            <th scope="row" className="border-hair bg-bank border-[1.5px] px-5 py-2.5 text-left font-semibold">
              {label}
            </th>
            {cells.map((cell, place) => (
              <td key={place} className="border-hair min-w-20 border-[1.5px] px-5 py-2.5 text-center">
                {cell === "?" ? <span className="text-clay font-bold">?</span> : <MathText text={cell} />}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

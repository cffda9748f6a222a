/** The least a page of the framework can be. What a student's page is weighed against. */
export default function Page() {
  return <p>One line.</p>;
}

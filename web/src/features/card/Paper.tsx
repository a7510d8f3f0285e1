interface Props {
  /** A sheet as the server writes it: its text is all escaped there. */
  html: string;
}

/** A sheet on the screen, which is what is printed. */
export function Paper({ html }: Props) {
  return <div className="min-w-0 print:contents" dangerouslySetInnerHTML={{ __html: html }} />;
}

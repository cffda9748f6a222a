/** The pictures of an item, each with its words for those who don't see it. */
export function Pictures({
  images,
}: {
  readonly images: readonly { readonly picture: string; readonly alt: string }[];
}) {
  return images.map(({ picture, alt }) => (
    <img key={picture} src={`/api/pictures/${picture}`} alt={alt} className="my-4 block max-h-[420px] max-w-full" />
  ));
}

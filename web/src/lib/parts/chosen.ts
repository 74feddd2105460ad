/**
 * The file that was just chosen in a field. The field is empty afterwards, so that the same
 * file can be chosen again and nothing that ends later takes away the next one.
 */
export function chosen(e: Event): File | undefined {
  const field = e.currentTarget as HTMLInputElement;
  const file = field.files?.[0];
  field.value = '';
  return file;
}

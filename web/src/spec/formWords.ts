/** A drink's form as a bar says it: "salted edge" of a spec file is a salted rim. */
export function formWords(form: string): string {
  return form.replace(' edge', ' rim');
}

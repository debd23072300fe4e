/** Text files that the build puts in as strings. */
declare module '*.md' {
  const text: string;
  export default text;
}

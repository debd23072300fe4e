/** The day it is for the person at the page, as figures are dated: 2027-05-02. Not the day in UTC, which may be another. */
export function today(now = new Date()): string {
  const two = (value: number) => String(value).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

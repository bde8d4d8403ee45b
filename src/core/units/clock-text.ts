/** "09:40", with "+1 d" for later days. */
export function clockText(minutes: number): string {
  const whole = Math.round(minutes);
  const day = Math.floor(whole / 1440);
  const inDay = whole - day * 1440;
  const time = `${String(Math.floor(inDay / 60)).padStart(2, "0")}:${String(inDay % 60).padStart(2, "0")}`;
  return day > 0 ? `${time} +${day} d` : time;
}

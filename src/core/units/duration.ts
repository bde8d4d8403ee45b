/** "40 min", "1 h 30 min", "22 h", "2 d 4 h": a stretch of time as one says it, to the minute. */
export function durationWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${Number(minutes.toFixed(1))} min`;
  const [days, h, min] = [Math.floor(whole / 1440), Math.floor((whole % 1440) / 60), whole % 60];
  if (days >= 2)
    return [`${days} d`, h > 0 ? `${h} h` : "", min > 0 ? `${min} min` : ""].filter(Boolean).join(" ");
  return [`${days * 24 + h} h`, min > 0 ? `${min} min` : ""].filter(Boolean).join(" ");
}

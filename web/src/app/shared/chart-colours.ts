/** The house's colours as a chart wants them: values, since it draws outside the reach of the style sheet. */
export function chartColours(): Record<'ink' | 'soft' | 'line' | 'act' | 'river' | 'watch' | 'fail' | 'paper' | 'card', string> {
  const style = getComputedStyle(document.documentElement);
  const of = (name: string): string => style.getPropertyValue(`--${name}`).trim() || '#676257';
  return {
    ink: of('ink'),
    soft: of('soft'),
    line: of('line'),
    act: of('act'),
    river: of('river'),
    watch: of('watch'),
    fail: of('fail'),
    paper: of('paper'),
    card: of('card'),
  };
}

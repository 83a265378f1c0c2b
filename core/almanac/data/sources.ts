/** Published sources that almanac rows name by key. */
export const sources: Record<string, string> = {
  'andrews-pough-1985':
    'Andrews RM, Pough FH 1985. Metabolism of squamate reptiles: allometric and ecological relationships. Physiological Zoology 58:214–231.',
  'forsythe-1995':
    'Forsythe WC et al. 1995. A model comparison for daylength as a function of latitude and day of year. Ecological Modelling 80:87–95.',
  'gamble-2017':
    'Gamble T et al. 2017. The discovery of XY sex chromosomes in a boa and python. Current Biology 27:2148–2153.',
  'jackson-1980':
    'Jackson OF 1980. Weight and measurement data on tortoises and their relationship to health. Journal of Small Animal Practice 21:409–416. The curve’s constants are from memory, to be rechecked.',
  'ashburner': 'Ashburner M. Drosophila: A Laboratory Handbook. Development times from memory, to be rechecked.',
  'eendebak-1995':
    'Eendebak BT 1995. Incubation period and sex ratio of Hermann’s tortoise. Chelonian Conservation and Biology 1:227–231.',
  'finke-2002':
    'Finke MD 2002. Complete nutrient composition of commercially raised invertebrates. Zoo Biology 21:269–285.',
  'nist-sp811':
    'NIST Special Publication 811 (2008), Guide for the Use of the International System of Units, Appendix B.8.',
  'viets-1993':
    'Viets BE et al. 1993. Temperature-dependent sex determination in the leopard gecko. Journal of Experimental Zoology 265:679–683.',
}

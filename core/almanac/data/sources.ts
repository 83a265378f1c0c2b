/** Published sources that almanac rows name by key. */
export const sources: Record<string, string> = {
  'andrews-pough-1985': 'Andrews RM, Pough FH 1985. Metabolism of squamate reptiles: allometric and ecological relationships. Physiological Zoology 58:214–231.',
  'ashburner': 'Ashburner M. Drosophila: A Laboratory Handbook. Development times from memory, to be rechecked.',
  'eendebak-1995': 'Eendebak BT 1995. Incubation period and sex ratio of Hermann’s tortoise. Chelonian Conservation and Biology 1:227–231.',
  'finke-2002': 'Finke MD 2002. Complete nutrient composition of commercially raised invertebrates. Zoo Biology 21:269–285.',
  'nist-sp811': 'NIST Special Publication 811 (2008), Guide for the Use of the International System of Units, Appendix B.8.',
  'viets-1993': 'Viets BE et al. 1993. Temperature-dependent sex determination in the leopard gecko. Journal of Experimental Zoology 265:679–683.',
}

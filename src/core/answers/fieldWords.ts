/**
 * Words of the field that look like others of it: whoever writes one of them means it, and has not misspelled another. In lower case,
 * singular; a word that is missing here is caught where an item names it among what it does not accept.
 */
const PAIRS = `increase decrease crease increasing decreasing ascending descending ascend descend
possible impossible proper improper rational irrational equal unequal equality inequality regular irregular
perimeter parameter diameter meter metre centimeter millimeter kilometer decameter centimetre millimetre kilometre
area are acre arc arch ray array
median medium mean mode mead range rate ratio ration radio radius radii radians radian
factor fraction function faction fractal factorial vector sector section
numerator denominator nominator numeral number integer interior exterior
multiple multiply multiplier multiplicand multiplication simple sample simplify amplify
divide divided dividend divisor division divisible
addend addition additive edition condition
subtract subtraction subtrahend minuend abstraction
product produce quotient quotation quote quota
prime primary power tower square squared cube cubed cubic quadratic quadrant quadrilateral
sum some same difference different differ
even seven odd add add-on zero hero one once ten tens tenth tenths hundred hundredth hundreds hundredths thousand thousandth thousandths
tree three four fourth forty fourteen five fifth fifty fifteen six sixth sixty sixteen seven seventh seventy seventeen
eight eighth eighty eighteen nine ninth ninety nineteen twelve twelfth twenty twentieth thirty thirteen third
line lines plane plan plain point pint joint angle ankle tangle triangle rectangle
acute obtuse right left light reflex straight obtuse scalene isosceles equilateral
parallel perpendicular horizontal vertical diagonal
congruent concurrent similar familiar symmetry asymmetry symmetric asymmetric
vertex vortex vertices edge edges face faces base case height weight eight width length breadth depth
volume value valve variable constant coefficient exponent component
expression equation evaluation estimation elimination
greater lesser great less more most least fewer first last
maximum minimum positive negative relative
translation rotation reflection dilation dilution refraction
probability proportion proportional percent percentage percentile
input output domain codomain origin margin
linear nonlinear convex concave convert invert inverse reverse converse
mass math path base
noun pronoun verb adverb adjective object subject predicate phrase phase clause cause
simile smile metaphor synonym antonym homonym homophone acronym
prefix suffix affix affect effect accept except
author other character charter theme scheme tone stone mood moon plot pilot setting sitting
infer refer defer imply reply
there their they then than where were here hear
past passed present absent future perfect imperfect active inactive passive
fact act fiction nonfiction friction`;

export const FIELD_WORDS: ReadonlySet<string> = new Set(PAIRS.split(/\s+/));

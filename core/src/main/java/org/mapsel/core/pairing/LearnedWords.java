package org.mapsel.core.pairing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What pairs that people accepted tell of words: which ones mean the same here. */
public final class LearnedWords {

  private static final int SHORTEST = 2;
  private static final int LONGEST = 40;

  private LearnedWords() {}

  /**
   * The words that two names differ in, if that is one word each that is not known yet to mean the
   * same as the other. From more words nothing can be told.
   *
   * @param one the name of a field
   * @param other the name of the field that it was paired with
   */
  public static Optional<Set<String>> of(String one, String other, Lexicon lexicon) {
    Words words = new Words(lexicon);
    words.learn(one);
    words.learn(other);
    List<String> left = new ArrayList<>(words.of(one));
    List<String> right = new ArrayList<>(words.of(other));
    left.removeIf(
        word ->
            right.stream()
                .filter(same -> same.equals(word) || lexicon.meanTheSame(same, word))
                .findFirst()
                .map(right::remove)
                .orElse(false));
    return left.size() == 1
            && right.size() == 1
            && isTelling(left.getFirst())
            && isTelling(right.getFirst())
        ? Optional.of(Set.of(left.getFirst(), right.getFirst()))
        : Optional.empty();
  }

  private static boolean isTelling(String word) {
    return word.length() >= SHORTEST
        && word.length() <= LONGEST
        && !Likeness.VAGUE.contains(word)
        && word.chars().allMatch(Character::isLetter);
  }
}

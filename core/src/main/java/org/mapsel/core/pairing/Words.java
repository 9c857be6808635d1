package org.mapsel.core.pairing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/** Takes names apart. */
final class Words {

  private static final Pattern BORDERS =
      Pattern.compile(
          "[^\\p{L}\\p{N}]+|(?<=[\\p{Ll}\\p{N}])(?=\\p{Lu})|(?<=\\p{Lu})(?=\\p{Lu}\\p{Ll})"
              + "|(?<=\\p{L})(?=\\p{N})|(?<=\\p{N})(?=\\p{L})");

  /** Shorter than this nothing can be two words. */
  private static final int LONG = 6;

  private static final int LONGEST = 40;

  private final Lexicon lexicon;

  /** Words that stand by themselves somewhere on either side. */
  private final Set<String> seen = new HashSet<>();

  Words(Lexicon lexicon) {
    this.lexicon = lexicon;
  }

  void learn(String name) {
    for (String word : split(name)) {
      if (word.length() >= 3) {
        seen.add(word);
      }
    }
  }

  private static List<String> split(String name) {
    List<String> words = new ArrayList<>();
    for (String word : BORDERS.split(name)) {
      if (!word.isEmpty()) {
        words.add(word.toLowerCase(Locale.ROOT));
      }
    }
    return words;
  }

  /** The words of a name: short forms written out, one of a thing where the name has several. */
  List<String> of(String name) {
    List<String> words = new ArrayList<>();
    for (String word : withUnit(split(name))) {
      for (String part : parts(word)) {
        for (String whole : lexicon.expanded(part)) {
          words.add(singular(whole));
        }
      }
    }
    return words.isEmpty() ? List.of(name.toLowerCase(Locale.ROOT)) : words;
  }

  /** What a name ends with after other words may be the unit that it is in. */
  private List<String> withUnit(List<String> words) {
    if (words.size() < 2) {
      return words;
    }
    List<String> told = new ArrayList<>(words.subList(0, words.size() - 1));
    told.addAll(lexicon.unit(words.getLast()));
    return told;
  }

  private static String singular(String word) {
    if (word.length() > 4 && word.endsWith("ies")) {
      return word.substring(0, word.length() - 3) + "y";
    }
    boolean plural =
        word.length() > 3 && word.endsWith("s") && !word.endsWith("ss") && !word.endsWith("us");
    return plural ? word.substring(0, word.length() - 1) : word;
  }

  /** {@code hullnumber} is two words where both are words elsewhere. */
  private List<String> parts(String word) {
    if (word.length() < LONG || word.length() > LONGEST || lexicon.isKnown(word)) {
      return List.of(word);
    }
    for (int cut = 3; cut <= word.length() - 2; cut++) {
      String first = word.substring(0, cut);
      String second = word.substring(cut);
      if (isWord(first) && isWord(second)) {
        return List.of(first, second);
      }
    }
    return List.of(word);
  }

  private boolean isWord(String word) {
    return lexicon.isKnown(word) || word.length() >= 4 && seen.contains(word);
  }
}

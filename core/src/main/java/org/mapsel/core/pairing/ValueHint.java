package org.mapsel.core.pairing;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** What samples have for two fields. */
final class ValueHint implements Hint {

  private static final int FEW = 3;

  @Override
  public Evidence of(Described left, Described right) {
    List<String> one = left.field().values();
    List<String> other = right.field().values();
    if (one.isEmpty() || other.isEmpty()) {
      return Evidence.NONE;
    }
    Set<String> first = new HashSet<>(one);
    Set<String> second = new HashSet<>(other);
    Set<String> small = first.size() <= second.size() ? first : second;
    Set<String> large = small == first ? second : first;
    long same = small.stream().filter(large::contains).count();
    double share = (double) same / small.size();
    boolean telling = small.size() >= FEW || small.stream().anyMatch(text -> text.length() > 3);
    if (share >= 0.5 && telling) {
      // One value or two may be the same by chance.
      double weight = Math.min(1, (double) small.size() / FEW);
      return new Evidence(
          weight * (1.5 + 4 * share), same + " of " + small.size() + " sample values equal");
    }
    Set<String> forms = forms(first);
    boolean alike = forms.equals(forms(second)) && !forms.isEmpty();
    return alike
        ? new Evidence(1, "sample values of one form")
        : new Evidence(first.size() >= FEW && second.size() >= FEW ? -0.8 : 0, "");
  }

  /** {@code S-20417} is a capital, a dash and digits. */
  private static Set<String> forms(Set<String> values) {
    return values.stream()
        .map(
            value ->
                value
                    .replaceAll("\\p{N}+", "9")
                    .replaceAll("\\p{Lu}+", "A")
                    .replaceAll("\\p{Ll}+", "a"))
        .collect(Collectors.toSet());
  }
}

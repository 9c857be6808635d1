package org.mapsel.core.pairing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * A field with what hints work out once for it.
 *
 * @param own the words of its own name, without those that all its neighbours begin with
 * @param around the words of the names around it, the nearest last
 * @param said the words of its label
 * @param told the weights of words in its documentation
 * @param seen what samples have for it
 * @param place where it stands in its side, between 0 and 1
 */
record Described(
    PairingField field,
    int index,
    List<String> own,
    List<String> around,
    List<String> said,
    Map<String, Double> told,
    SeenText seen,
    double place) {

  List<String> all() {
    List<String> all = new ArrayList<>(around);
    all.addAll(own);
    return all;
  }
}

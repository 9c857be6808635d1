package org.mapsel.core.pairing;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jgrapht.Graph;
import org.jgrapht.alg.matching.MaximumWeightBipartiteMatching;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;

/** Gives each field at most one other, so that the sum of all is the best there is. */
final class Assignment {

  /** Whole numbers, so that the method ends exactly. */
  private static final double SCALE = 1_000_000;

  private Assignment() {}

  /**
   * @param scores for each field of the left side what a field of the right side is worth; those
   *     that are worth nothing are left out
   * @return the number of the right field for each left one, -1 for none
   */
  static int[] of(List<Map<Integer, Double>> scores, int rights) {
    Graph<Integer, DefaultWeightedEdge> graph =
        new SimpleWeightedGraph<>(DefaultWeightedEdge.class);
    Set<Integer> left = new LinkedHashSet<>();
    Set<Integer> right = new LinkedHashSet<>();
    for (int i = 0; i < scores.size(); i++) {
      left.add(i);
      graph.addVertex(i);
    }
    for (int i = 0; i < rights; i++) {
      right.add(scores.size() + i);
      graph.addVertex(scores.size() + i);
    }
    for (int i = 0; i < scores.size(); i++) {
      for (Map.Entry<Integer, Double> score : scores.get(i).entrySet()) {
        if (score.getValue() > 0) {
          DefaultWeightedEdge edge = graph.addEdge(i, scores.size() + score.getKey());
          graph.setEdgeWeight(edge, Math.rint(score.getValue() * SCALE));
        }
      }
    }
    int[] chosen = new int[scores.size()];
    Arrays.fill(chosen, -1);
    for (DefaultWeightedEdge edge :
        new MaximumWeightBipartiteMatching<>(graph, left, right).getMatching().getEdges()) {
      int one = graph.getEdgeSource(edge);
      int other = graph.getEdgeTarget(edge);
      chosen[Math.min(one, other)] = Math.max(one, other) - scores.size();
    }
    return chosen;
  }
}

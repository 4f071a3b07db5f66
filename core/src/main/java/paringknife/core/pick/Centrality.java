package paringknife.core.pick;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * How central each sentence is to the episode: TextRank (Mihalcea and Tarau 2004, section 4), a
 * damped random walk over sentences joined by the words they share, normalised by their lengths'
 * logarithms.
 */
public final class Centrality {
  private static final double DAMPING = 0.85;
  private static final int ROUNDS = 30;

  /** Words in more than this share of sentences say nothing about a subject. */
  private static final double COMMON = 0.12;

  private Centrality() {}

  private record Edge(int to, double weight) {}

  /** One score a sentence; their mean is 1. Sentences that share nothing score lowest. */
  public static double[] of(List<Set<String>> sentences) {
    int n = sentences.size();
    List<List<Edge>> edges = edges(sentences);
    double[] out = new double[n];
    for (int i = 0; i < n; i++) {
      out[i] = edges.get(i).stream().mapToDouble(Edge::weight).sum();
    }
    double[] score = new double[n];
    java.util.Arrays.fill(score, 1);
    for (int round = 0; round < ROUNDS; round++) {
      double[] next = new double[n];
      java.util.Arrays.fill(next, 1 - DAMPING);
      for (int i = 0; i < n; i++) {
        for (Edge edge : edges.get(i)) {
          next[edge.to()] += DAMPING * edge.weight() / out[i] * score[i];
        }
      }
      score = next;
    }
    return score;
  }

  private static List<List<Edge>> edges(List<Set<String>> sentences) {
    int n = sentences.size();
    Map<String, List<Integer>> where = new HashMap<>();
    for (int i = 0; i < n; i++) {
      for (String word : sentences.get(i)) {
        where.computeIfAbsent(word, w -> new ArrayList<>()).add(i);
      }
    }
    Set<String> telling = new HashSet<>();
    where.forEach(
        (word, at) -> {
          if (at.size() > 1 && at.size() <= Math.max(3, COMMON * n)) {
            telling.add(word);
          }
        });
    List<List<Edge>> edges = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      Map<Integer, Integer> shared = new HashMap<>();
      for (String word : sentences.get(i)) {
        if (telling.contains(word)) {
          for (int other : where.get(word)) {
            if (other != i) {
              shared.merge(other, 1, Integer::sum);
            }
          }
        }
      }
      List<Edge> from = new ArrayList<>();
      double length = Math.log(1 + sentences.get(i).size());
      shared.entrySet().stream()
          .sorted(Map.Entry.comparingByKey())
          .forEach(
              e ->
                  from.add(
                      new Edge(
                          e.getKey(),
                          e.getValue()
                              / (length + Math.log(1 + sentences.get(e.getKey()).size())))));
      edges.add(from);
    }
    return edges;
  }
}

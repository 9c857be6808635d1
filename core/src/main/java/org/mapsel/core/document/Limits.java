package org.mapsel.core.document;

/**
 * How much of a document is accepted before reading stops with a finding.
 *
 * @param maxBytes size of the document in bytes
 * @param maxDepth elements inside elements
 * @param maxAttributeChars length of one attribute, characters
 * @param maxTextChars length of one text, characters
 */
public record Limits(long maxBytes, int maxDepth, int maxAttributeChars, int maxTextChars) {

  /** Descriptions: the largest ones met in practice are below 70 MB and nest below 100. */
  public static final Limits DESCRIPTION = new Limits(100L << 20, 400, 1 << 20, 16 << 20);

  /** Answers: pictures and files travel as one long text. */
  public static final Limits ANSWER = new Limits(256L << 20, 1_000, 1 << 20, 128 << 20);
}

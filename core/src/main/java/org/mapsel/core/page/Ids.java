package org.mapsel.core.page;

import java.util.regex.Pattern;

/**
 * Gives ids: readable for people who look into a file, and none twice, not even one that is free
 * again.
 */
public final class Ids {

  private static final Pattern UNFIT = Pattern.compile("[^A-Za-z0-9]+");
  private static final int LONGEST = 40;

  private long issued;

  /**
   * @param issued how many were given before
   */
  public Ids(long issued) {
    this.issued = issued;
  }

  public long issued() {
    return issued;
  }

  /** A new one, like the name that is wished for. */
  public String next(String wish) {
    String fit = UNFIT.matcher(wish).replaceAll("");
    String name = fit.isEmpty() ? "id" : fit.substring(0, Math.min(LONGEST, fit.length()));
    issued++;
    return name + "_" + issued;
  }
}

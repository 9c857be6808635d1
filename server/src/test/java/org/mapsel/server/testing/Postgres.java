package org.mapsel.server.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.List;

/** A PostgreSQL of the tests' own, on a free port, for as long as the tests run. */
public final class Postgres {

  private static Postgres shared;

  private final Path folder;
  private final String port;
  private final String password;

  private Postgres() {
    try {
      folder = Files.createTempDirectory("mapsel-tests");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    String[] printed = run("start").strip().split(" ");
    port = printed[0];
    password = printed[1];
  }

  /** The one that all tests of this run share; it ends with the JVM. */
  public static synchronized Postgres shared() {
    if (shared == null) {
      Postgres started = new Postgres();
      Runtime.getRuntime().addShutdownHook(new Thread(() -> started.run("remove")));
      shared = started;
    }
    return shared;
  }

  private String run(String command) {
    try {
      Process process =
          new ProcessBuilder(List.of("../scripts/postgres", command, folder.toString(), "27302"))
              .redirectError(ProcessBuilder.Redirect.INHERIT)
              .start();
      String printed = new String(process.getInputStream().readAllBytes());
      if (process.waitFor() != 0) {
        throw new IllegalStateException("scripts/postgres " + command + " failed: " + printed);
      }
      return printed;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** Makes an empty database and gives its address. */
  public String newDatabase(String name) {
    String address = "jdbc:postgresql://127.0.0.1:" + port + "/";
    try (var connection = DriverManager.getConnection(address + "mapsel", "mapsel", password);
        var statement = connection.createStatement()) {
      statement.execute("create database " + name);
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
    return address + name;
  }

  public String password() {
    return password;
  }
}

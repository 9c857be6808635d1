package org.mapsel.server.testing;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.mapsel.server.MapselServer;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** The real application on a free port, with a database of its own. */
public final class TestServer implements BeforeAllCallback, AfterAllCallback, AutoCloseable {

  private static final AtomicInteger NUMBER = new AtomicInteger();

  private final String[] settings;
  private ConfigurableApplicationContext context;
  private Api api;

  /**
   * @param settings further ones, each as {@code --name=value}
   */
  public TestServer(String... settings) {
    this.settings = settings.clone();
  }

  /** One more, beside that of the test. */
  public static TestServer started(String... settings) {
    TestServer server = new TestServer(settings);
    server.start();
    return server;
  }

  @Override
  public void beforeAll(ExtensionContext test) {
    start();
  }

  private void start() {
    SpringApplication application = new SpringApplication(MapselServer.class);
    List<String> arguments = new ArrayList<>(List.of(settings));
    arguments.addAll(
        List.of(
            "--server.port=0",
            "--mapsel.secrets.key-file=target/secret-" + ProcessHandle.current().pid() + ".key",
            "--mapsel.outgoing.answer-timeout=2s",
            "--mapsel.outgoing.max-answer=2MB",
            "--spring.datasource.url="
                + Postgres.shared().newDatabase("server" + NUMBER.incrementAndGet()),
            "--spring.datasource.password=" + Postgres.shared().password()));
    context = application.run(arguments.toArray(String[]::new));
    api =
        new Api(
            "http://localhost:"
                + context.getEnvironment().getRequiredProperty("local.server.port"));
  }

  @Override
  public void afterAll(ExtensionContext test) {
    close();
  }

  @Override
  public void close() {
    context.close();
  }

  /** A part of the application. */
  public <T> T bean(Class<T> type) {
    return context.getBean(type);
  }

  public Api api() {
    return api;
  }
}

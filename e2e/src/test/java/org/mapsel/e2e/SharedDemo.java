package org.mapsel.e2e;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;

/**
 * A running product with the demo. There are few, as starting one takes long: one for journeys that
 * leave its apps as others expect them, one for those that change them, and one for those that
 * change services. After each journey its users leave and the services behave again.
 */
final class SharedDemo implements BeforeAllCallback, AfterEachCallback {

  private static final Namespace HERE = Namespace.create(SharedDemo.class);

  /** What runs as long as there are tests. */
  private static final class Running implements AutoCloseable {
    final Product product = Product.withDemo();
    final Browser browser = new Browser();

    @Override
    public void close() {
      browser.close();
      product.close();
    }
  }

  private final String name;
  private final List<User> users = new ArrayList<>();
  private Running running;

  private SharedDemo(String name) {
    this.name = name;
  }

  /** One whose apps stay as they come. */
  static SharedDemo kept() {
    return new SharedDemo("kept");
  }

  /** One whose apps journeys change: what they did not make or change themselves may be changed. */
  static SharedDemo changed() {
    return new SharedDemo("changed");
  }

  /** One whose services go on to other editions. */
  static SharedDemo moved() {
    return new SharedDemo("moved");
  }

  @Override
  public void beforeAll(ExtensionContext test) {
    running =
        test.getRoot()
            .getStore(HERE)
            .getOrComputeIfAbsent(name, none -> new Running(), Running.class);
  }

  @Override
  public void afterEach(ExtensionContext test) {
    // Pages that stay open go on asking the server.
    users.forEach(user -> user.page.context().close());
    users.clear();
    standIns().turn("NORMAL");
  }

  /** Somebody who sits down before it. */
  User user() {
    return user(1280, 800);
  }

  User user(int width, int height) {
    User user = new User(running.browser, running.product, width, height);
    users.add(user);
    return user;
  }

  Product product() {
    return running.product;
  }

  StandIns standIns() {
    return running.product.standIns();
  }
}

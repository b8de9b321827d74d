package ivesk.server.app;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/// Says on the terminal where the application is, once it is there.
@Component
class Greeting {
  private final String words;
  private final boolean tls;
  private int port;

  Greeting(@Value("${ivesk.words:}") String words, @Value("${server.ssl.key-store:}") String keys) {
    this.words = words;
    this.tls = !keys.isEmpty();
  }

  @EventListener
  void listening(WebServerInitializedEvent event) {
    port = event.getWebServer().getPort();
  }

  @EventListener(ApplicationReadyEvent.class)
  void ready() {
    System.out.println("Ivesk is at " + (tls ? "https" : "http") + "://127.0.0.1:" + port + "/");
    if (!words.isEmpty()) System.out.println(words);
    System.out.println("Ctrl-C ends it.");
  }
}

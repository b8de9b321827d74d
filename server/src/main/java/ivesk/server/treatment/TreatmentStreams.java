package ivesk.server.treatment;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/// Tells every other screen of a treatment that it has moved on.
@Component
class TreatmentStreams {
  private final Map<UUID, List<SseEmitter>> listeners = new ConcurrentHashMap<>();

  /// @param seq number of the newest event now: a screen that knows it asks for nothing
  SseEmitter listen(UUID treatmentId, int seq) {
    SseEmitter emitter = new SseEmitter(0L);
    List<SseEmitter> own =
        listeners.compute(
            treatmentId,
            (id, before) -> {
              List<SseEmitter> now = before == null ? new CopyOnWriteArrayList<>() : before;
              now.add(emitter);
              return now;
            });
    Runnable gone = () -> own.remove(emitter);
    emitter.onCompletion(gone);
    emitter.onTimeout(gone);
    emitter.onError(failure -> gone.run());
    send(own, emitter, seq);
    return emitter;
  }

  /// @param seq number of the newest event
  void changed(UUID treatmentId, int seq) {
    List<SseEmitter> own = listeners.getOrDefault(treatmentId, List.of());
    own.forEach(emitter -> send(own, emitter, seq));
  }

  /// Finds out who has left: whoever does not take this is let go.
  @Scheduled(fixedDelay = 15_000)
  void beat() {
    listeners.forEach((treatment, own) -> {
      own.forEach(emitter -> {
        try {
          emitter.send(SseEmitter.event().comment(""));
        } catch (IOException | IllegalStateException e) {
          own.remove(emitter);
          emitter.completeWithError(e);
        }
      });
      listeners.computeIfPresent(treatment, (id, now) -> now.isEmpty() ? null : now);
    });
  }

  /// A server that stops waits for the requests under way; those that only listen are let go.
  @EventListener(ContextClosedEvent.class)
  void close() {
    listeners.values().forEach(own -> own.forEach(SseEmitter::complete));
  }

  /// How many follow now.
  int followers() {
    return listeners.values().stream().mapToInt(List::size).sum();
  }

  private static void send(List<SseEmitter> own, SseEmitter emitter, int seq) {
    try {
      emitter.send(SseEmitter.event().name("changed").data(seq));
    } catch (IOException | IllegalStateException e) {
      own.remove(emitter);
    }
  }
}

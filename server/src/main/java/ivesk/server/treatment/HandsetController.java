package ivesk.server.treatment;

import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.ClientCue;
import ivesk.core.treatment.advice.Cues;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.state.Looks;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.client.ClientStore;
import ivesk.server.practice.OwnCookie;
import ivesk.server.practice.PhoneAddress;
import ivesk.server.practice.QrPath;
import ivesk.server.visit.VisitStore;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

@RestController
@RequestMapping("/api")
class HandsetController {
  private static final String COOKIE = "IVESK_HANDSET";
  private static final Duration LASTS = Duration.ofHours(12);

  private final Handsets handsets;
  private final TreatmentStreams streams;
  private final VisitStore visits;
  private final ClientStore clients;
  private final PhoneAddress addresses;
  private final Clock clock;

  HandsetController(
      Handsets handsets,
      TreatmentStreams streams,
      VisitStore visits,
      ClientStore clients,
      PhoneAddress addresses,
      Clock clock) {
    this.handsets = handsets;
    this.streams = streams;
    this.visits = visits;
    this.clients = clients;
    this.addresses = addresses;
    this.clock = clock;
  }

  /// @param code six letters
  /// @param address that the phone opens; the code stands behind its `#`, which no server sees
  /// @param qr of the address, as an SVG path of unit squares
  /// @param size modules a side
  record Shown(String code, String address, String qr, int size) {}

  /// Shows a code for the client's phone; the one of before is out.
  @May(Right.TREAT)
  @PostMapping("/treatments/{id}/handset")
  Shown show(@PathVariable UUID id) {
    String code = handsets.show(id);
    String address = addresses.of("/handset", code);
    QrPath qr = QrPath.of(address);
    return new Shown(code, address, qr.path(), qr.size());
  }

  record Code(String code) {}

  @May(Right.ANYBODY)
  @PostMapping("/handset")
  HandsetView enter(
      @RequestBody Code body, HttpServletRequest request, HttpServletResponse response) {
    String token = handsets.enter(body.code(), request.getRemoteAddr());
    OwnCookie.set(request, response, COOKIE, token, LASTS);
    return view(handsets.live(Optional.of(token)));
  }

  @May(Right.ANYBODY)
  @GetMapping("/handset")
  HandsetView handset(HttpServletRequest request) {
    return view(handsets.live(OwnCookie.of(request, COOKIE)));
  }

  /// @param id of the event, made by the handset
  record Saying(UUID id, Fact fact) {}

  @May(Right.ANYBODY)
  @PostMapping("/handset/said")
  HandsetView say(@RequestBody Saying body, HttpServletRequest request) {
    return view(handsets.say(OwnCookie.of(request, COOKIE), body.id(), body.fact()));
  }

  @May(Right.ANYBODY)
  @GetMapping(path = "/handset/stream", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter stream(HttpServletRequest request) {
    Live live = handsets.live(OwnCookie.of(request, COOKIE));
    return streams.listen(live.id(), live.events().size());
  }

  /// What a client's phone shows: the first name and nothing else of anybody.
  ///
  /// @param zones that are treated
  /// @param told the last number, whoever said it
  record HandsetView(
      String firstName,
      Instant serverNow,
      List<Zone> zones,
      Optional<Integer> told,
      List<ClientCue> cues) {}

  private HandsetView view(Live live) {
    return new HandsetView(
        clients.get(visits.get(live.visitId()).clientId()).firstName(),
        clock.instant().truncatedTo(ChronoUnit.MILLIS),
        live.plan().zones(),
        live.state().lastAnswer().map(Looks.Told::value),
        Cues.toClient(live.plan(), live.state()));
  }
}

package ivesk.server.demo;

import ivesk.core.practice.Policies.Restricted;
import ivesk.core.practice.PolicyQuestion;
import ivesk.server.app.Role;
import ivesk.server.client.ClientStore;
import ivesk.server.practice.AccountStore;
import ivesk.server.practice.AccountStore.Account;
import ivesk.server.practice.PracticeStore;
import java.time.Clock;
import java.time.DayOfWeek;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/// Fills an empty database with the practice "Two Rooms at Skerrow Harbour" and fourteen made-up
/// clients, each of whom calls for something else. One peel is running in room 2 when it starts.
@Component
@Profile("demo")
class DemoScenario implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(DemoScenario.class);
  private static final String PASSWORD = "harbour";

  private final PracticeStore practice;
  private final AccountStore accounts;
  private final ClientStore clients;
  private final DemoShelf shelf;
  private final DemoProtocols protocols;
  private final PasswordEncoder passwords;
  private final Clock clock;
  private final DemoDesk desk;
  private final DemoClients stories;

  DemoScenario(
      PracticeStore practice,
      AccountStore accounts,
      ClientStore clients,
      DemoShelf shelf,
      DemoProtocols protocols,
      PasswordEncoder passwords,
      Clock clock,
      DemoDesk desk,
      DemoClients stories) {
    this.practice = practice;
    this.accounts = accounts;
    this.clients = clients;
    this.shelf = shelf;
    this.protocols = protocols;
    this.passwords = passwords;
    this.clock = clock;
    this.desk = desk;
    this.stories = stories;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    if (accounts.accounts().isEmpty()) fill();
    LOG.info("The demo practice is ready");
  }

  private void fill() {
    String hash = passwords.encode(PASSWORD);
    accounts.add(new Account(DemoDesk.INES, "Ines Kov", Role.THERAPIST), hash);
    accounts.add(new Account(DemoDesk.ROLF, "Rolf Arnesen", Role.THERAPIST), hash);
    accounts.add(new Account("thea", "Dr Thea Lund", Role.SUPERVISOR), hash);
    accounts.add(new Account("marit", "Marit Kov", Role.OWNER), hash);
    accounts.add(new Account("pelle", "Pelle Strand", Role.DESK), hash);
    practice.setDetails(
        new PracticeStore.Details(
            "Two Rooms at Skerrow Harbour",
            "Skerrow",
            clock.getZone(),
            List.of("room 1", "room 2"),
            EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.SATURDAY),
            PracticeStore.Details.KEEP_YEARS,
            new PracticeStore.Reached(
                Optional.of("555 0134"), Optional.of("Mon to Sat, 9:00 to 18:00"))));
    practice.open(Restricted.TCA, "thea", clock.instant());
    practice.setNumber(PracticeStore.NumberKind.EMERGENCY, "112", "thea", clock.instant());
    practice.setNumber(PracticeStore.NumberKind.POISON_CENTRE, "555 0142", "thea", clock.instant());
    practice.answer(PolicyQuestion.COMPOUNDING, "other", "thea", clock.instant());
    practice.answer(PolicyQuestion.RETINOL, "hours", "thea", clock.instant());

    stories.greta();
    stories.jonas();
    stories.maren();
    stories.oumar();
    stories.yara();
    stories.ishani();
    stories.adaeze();
    stories.bruno();
    stories.tobiah();
    stories.rosalind();
    stories.casper();
    stories.linnea();
    stories.sunniva();
    stories.eskil();
    shelf.fill(desk.day(0), DemoDesk.INES);
    protocols.write(DemoDesk.INES);
  }
}

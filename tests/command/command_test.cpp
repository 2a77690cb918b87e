#include <QDir>
#include <QFile>
#include <QImage>
#include <nlohmann/json.hpp>
#include <ostream>
#include <streambuf>

#include "command/command_fixture.h"
#include "core/edit/kind_edits.h"
#include "core/edit/route_edits.h"
#include "runtime/formats/project_file.h"
#include "support/layouts.h"

namespace bristle {
namespace {

using test::CommandLine;
using test::kDemo;
using test::kTour;
using testing::HasSubstr;
using testing::StartsWith;

TEST_F(CommandLine, EverySubcommandHasHelpAndWrongUseNeverExitsZero) {
  for (const char* name : {"check", "routes", "rehearse", "picture", "deliver", "new"}) {
    EXPECT_EQ(run({name, "--help"}), 0) << name;
    EXPECT_THAT(out, HasSubstr("--help")) << name;
    EXPECT_EQ(run({name, "--nonsense"}), 2) << name;
    EXPECT_FALSE(err.empty());
    EXPECT_EQ(run({name}), 2) << name;
    EXPECT_EQ(run({name, path("none.bristle"), "--take", "x", "--out", "y", "--pictures", "z"}), 2)
        << name;
  }
}

TEST_F(CommandLine, CheckFindsAStateThatVanishesAndNamesThatAreGone) {
  Project project = test::columnMenu({"One", "Two"});
  const KindId kind = project.kinds[0]->id;
  const PropKey fill{project.kinds[0]->parts[0].id, Prop::Fill};
  const std::string fine = write("fine.bristle", writeProject(project));
  EXPECT_EQ(run({"check", fine}), 0);
  const Project gone =
      test::after(project, setLook(kind, {StateId{"hover"}}, {{}, Prop::Opacity}, 0.0));
  EXPECT_EQ(run({"check", write("gone.bristle", writeProject(gone))}), 1);
  EXPECT_THAT(out + err, HasSubstr("cannot be seen"));
  edit(project, kind)->base.set(fill, NamedRef{{"n99"}});
  EXPECT_EQ(run({"check", write("named.bristle", writeProject(project))}), 1);
  EXPECT_THAT(out + err, HasSubstr("n99"));
}

TEST_F(CommandLine, WithoutASubcommandTheWindowIsWanted) {
  EXPECT_EQ(run({kDemo}), 0);
  EXPECT_TRUE(wish.wanted);
  EXPECT_EQ(wish.file, kDemo);
  run({"check", kDemo});
  EXPECT_FALSE(wish.wanted);
}

TEST_F(CommandLine, CheckFindsNothingInTheDemo) {
  EXPECT_EQ(run({"check", kDemo}), 0) << out;
  EXPECT_EQ(out, "no findings\n");
}

TEST_F(CommandLine, CheckTellsFindingsAndUnreadableFiles) {
  Project p = test::columnMenu({"a"});
  edit(p, p.screens[0]->id)->entry = {"gone"};
  const std::string file = write("a.bristle", writeProject(p));
  EXPECT_EQ(run({"check", file, "--json"}), 1);
  EXPECT_EQ(nlohmann::json::parse(out)["findings"][0]["rule"], "reference");
  EXPECT_EQ(run({"check", write("b.bristle", "{\"bristle\":{\"format\":1},\"displays\":[]}")}), 2);
  EXPECT_THAT(err, HasSubstr("/displays"));
  EXPECT_THAT(err, HasSubstr("b.bristle"));
}

TEST_F(CommandLine, LawsAreKeptByTheDemoAndByTheReadyMadeKinds) {
  for (const std::string& file : {kDemo, test::sourcePath("data/kinds/ready-made.bristle")}) {
    EXPECT_EQ(run({"laws", file}), 0) << out;
    EXPECT_THAT(out, HasSubstr("10 of 10 laws kept"));
  }
  EXPECT_EQ(run({"laws", kDemo, "--kind", "Hull bolt", "--json"}), 0);
  const auto report = nlohmann::json::parse(out);
  ASSERT_EQ(report["kinds"].size(), 1U);
  EXPECT_EQ(report["kinds"][0]["visited"], 17);
  EXPECT_EQ(report["kinds"][0]["laws"].size(), 10U);
  EXPECT_EQ(run({"laws", kDemo, "--kind", "nobody"}), 2);
}

TEST_F(CommandLine, ABrokenLawIsToldWithItsShortestSequence) {
  std::string text = *readFile(kDemo);
  auto project = nlohmann::ordered_json::parse(text);
  auto& transitions = project["machines"][0]["transitions"];
  for (size_t i = 0; i < transitions.size(); ++i)
    if (transitions[i].value("from", "") == "hover" && transitions[i]["on"] == "over.end" &&
        !transitions[i].contains("if"))
      transitions.erase(i--);
  const std::string file = write("broken.bristle", project.dump());
  EXPECT_EQ(run({"laws", file}), 1);
  EXPECT_THAT(out, HasSubstr("1 Rest: left alone it stays in “hover”"));
  EXPECT_THAT(out, HasSubstr("the pointer comes over it, the pointer goes"));
  EXPECT_THAT(out, HasSubstr("mend: add from hover, on over.end, to normal"));
  EXPECT_EQ(run({"laws", file, "--json"}), 1);
  const auto report = nlohmann::json::parse(out);
  EXPECT_EQ(report["kinds"][0]["laws"][0]["sequence"][1]["do"], "out");
  EXPECT_EQ(run({"check", file}), 1);
  EXPECT_THAT(out, HasSubstr("law 1"));
}

TEST_F(CommandLine, CheckTellsOfSoundsThatAreMissingOrBroken) {
  auto project = nlohmann::ordered_json::parse(*readFile(kDemo));
  for (auto& t : project["machines"][0]["transitions"])
    if (t["on"] == "press") t["effects"] = {{{"do", "sound"}, {"file", "press.wav"}}};
  const std::string file = write("loud.bristle", project.dump());
  write("press.wav", "no sound at all");
  EXPECT_EQ(run({"check", file}), 1);
  EXPECT_THAT(out, HasSubstr("sound “press.wav”: it is not a sound"));
  EXPECT_THAT(out, HasSubstr("sound “sounds/confirm.wav”: is missing"));
}

TEST_F(CommandLine, CheckTellsOfTheSoundOfARouteThatIsMissing) {
  Project menu = test::columnMenu({"one", "two"});
  const ItemId one = test::buttons(menu)[0];
  menu = test::after(
      menu, setCarries(menu.screens[0]->id, {one}, Dir::Down, {.motion = {}, .sound = "gone.wav"}));
  EXPECT_EQ(run({"check", write("quiet.bristle", writeProject(menu))}), 1);
  EXPECT_THAT(out, HasSubstr("“one”, sound of its route down: is missing"));
}

TEST_F(CommandLine, CheckTellsOfMusicAndCuesThatAreMissing) {
  Project menu = test::columnMenu({"one"});
  menu.screens[0].edit().music.file = "deep.ogg";
  menu.settings.bumpSound = "bump.wav";
  EXPECT_EQ(run({"check", write("mute.bristle", writeProject(menu))}), 1);
  EXPECT_THAT(out, HasSubstr("music “deep.ogg”: is missing"));
  EXPECT_THAT(out, HasSubstr("sound of bump, “bump.wav”: is missing"));
}

TEST_F(CommandLine, DeliverWritesStatecharts) {
  EXPECT_EQ(run({"deliver", kDemo, "--statechart", path("charts")}), 0) << err;
  const QStringList files = QDir(toQt(path("charts"))).entryList({QStringLiteral("*.scxml")}, QDir::Files);
  ASSERT_EQ(files.size(), int(demo().machines.size()));
  EXPECT_THAT(*readFile(path("charts/" + fromQt(files[0]))), HasSubstr("<scxml"));
  EXPECT_EQ(run({"deliver", kDemo}), 2) << "nothing was asked for";
}

TEST_F(CommandLine, RoutesOfBoxesAreJsonBothWays) {
  nlohmann::json in;
  const auto boxes = test::layoutOf("scattered", 4, 50);
  for (size_t i = 0; i < boxes.size(); ++i)
    in["boxes"].push_back({{"id", "b" + std::to_string(i)},
                           {"x", boxes[i].x},
                           {"y", boxes[i].y},
                           {"w", boxes[i].w},
                           {"h", boxes[i].h}});
  EXPECT_EQ(run({"routes", "--boxes", write("b.json", in.dump())}), 0) << err;
  const auto routes = nlohmann::json::parse(out)["routes"];
  const auto reasons = nlohmann::json::parse(out)["reasons"];
  EXPECT_EQ(routes.size(), boxes.size());
  SolveInput input;
  input.boxes = boxes;
  const auto direct = solve(input);
  for (size_t i = 0; i < boxes.size(); ++i) {
    const int right = direct.routes[i][size_t(Dir::Right)].target;
    const auto& told = routes["b" + std::to_string(i)]["right"];
    EXPECT_EQ(told,
              right < 0 ? nlohmann::json(nullptr) : nlohmann::json("b" + std::to_string(right)));
    const auto& reason = reasons["b" + std::to_string(i)]["right"];
    if (right < 0) {
      EXPECT_TRUE(reason == "nothing" || reason == "beside") << reason;
    } else {
      const bool solved = direct.routes[i][size_t(Dir::Right)].reason == RouteReason::Solved;
      EXPECT_EQ(reason, solved ? "solved" : "repair");
    }
  }
  EXPECT_EQ(run({"routes", "--boxes",
                 write("c.json", R"({"boxes":[{"id":"a","x":0,"y":0,"w":0,"h":1}]})")}),
            2);
  EXPECT_THAT(err, HasSubstr("/boxes/0/w"));
}

TEST_F(CommandLine, RoutesOfAScreenAndWhy) {
  EXPECT_EQ(run({"routes", kDemo}), 0) << err;
  EXPECT_THAT(out, HasSubstr("helm:  up to-chart  down bay"));
  EXPECT_EQ(run({"routes", kDemo, "--why", "helm", "--dir", "down", "--json"}), 0);
  EXPECT_EQ(nlohmann::json::parse(out)["candidates"][0]["target"], "bay");
  EXPECT_EQ(nlohmann::json::parse(out)["reason"], "solved");
  EXPECT_EQ(run({"routes", kDemo, "--why", "helm", "--dir", "down"}), 0);
  EXPECT_THAT(out, HasSubstr("straight ahead"));
  EXPECT_EQ(run({"routes", kDemo, "--why", "helm", "--dir", "down", "--not", "ashore"}), 0);
  EXPECT_THAT(out, HasSubstr("not ashore: straight ahead"));
  EXPECT_THAT(out, HasSubstr("behind bay"));
  EXPECT_EQ(run({"routes", kDemo, "--why", "helm", "--dir", "down", "--not", "nobody"}), 2);
  EXPECT_EQ(run({"routes", kDemo, "--dot"}), 0);
  EXPECT_THAT(out, StartsWith("digraph"));
  EXPECT_THAT(out, HasSubstr("\"helm\" -> \"bay\" [label=\"down\"]"));
  EXPECT_EQ(run({"routes", kDemo, "--why", "nobody", "--dir", "down"}), 2);
  EXPECT_EQ(run({"routes", kDemo, "--screen", "nowhere"}), 2);
}

TEST_F(CommandLine, ClustersThatAreOneStopHaveRoutesOfTheirOwn) {
  Project menu = test::columnMenu({"one", "two", "three", "four"});
  const auto ids = test::buttons(menu);
  Cluster stop;
  stop.id = {"both"};
  stop.items = {ids[1], ids[2]};
  stop.leave = Leave::SingleStop;
  edit(menu, menu.screens[0]->id)->clusters = {stop};
  const std::string file = write("stop.bristle", writeProject(menu));
  EXPECT_EQ(run({"routes", file}), 0) << err;
  EXPECT_THAT(out, HasSubstr("stop both:  up " + ids[0].text + "  down " + ids[3].text));
  EXPECT_EQ(run({"routes", file, "--json"}), 0) << err;
  const auto told = nlohmann::json::parse(out);
  EXPECT_EQ(told["stops"]["both"]["down"], ids[3].text);
  EXPECT_EQ(told["stops"]["both"]["left"], nullptr);
  EXPECT_EQ(told["routes"][ids[1].text]["down"], ids[2].text) << "within it";
}

TEST_F(CommandLine, HowGoodTheRoutesAreIsToldForEachDisplay) {
  EXPECT_EQ(run({"routes", kDemo, "--screen", "hull", "--quality"}), 0) << err << out;
  for (const char* display : {"Television 16:9", "Handheld 16:10"})
    EXPECT_THAT(out, HasSubstr(display));
  EXPECT_THAT(out, HasSubstr("least possible"));
  EXPECT_EQ(run({"routes", kDemo, "--screen", "hull", "--quality", "--json", "--display", "tv"}),
            0);
  const auto all = nlohmann::json::parse(out)["displays"];
  ASSERT_EQ(all.size(), 1U);
  EXPECT_EQ(all[0]["display"], "tv");
  EXPECT_TRUE(all[0]["unreachable"].empty());
  EXPECT_TRUE(all[0]["traps"].empty());
  EXPECT_EQ(all[0]["returningWithMemory"], 1);
  // Where focus is trapped, the button is named, and the command gives back that it found
  // something.
  const Project menu = test::columnMenu({"one", "two"});
  const ItemId two = test::buttons(menu)[1];
  const auto trap = setRoute(menu.screens[0]->id, two, Dir::Up, {RouteType::Closed, {}});
  const std::string file = write("trap.bristle", writeProject(test::after(menu, trap)));
  EXPECT_EQ(run({"routes", file, "--quality"}), 1);
  EXPECT_THAT(out, HasSubstr(two.text + " cannot be left again"));
  EXPECT_EQ(run({"routes", kDemo, "--quality", "--why", "helm"}), 2) << "one or the other";
}

TEST_F(CommandLine, PictureDrawsScreensAndKinds) {
  EXPECT_EQ(run({"picture", kDemo, "--display", "handheld", "-o", path("s.png")}), 0) << err;
  EXPECT_EQ(QImage(toQt(path("s.png"))).size(), QSize(1280, 800));
  EXPECT_EQ(run({"picture", kDemo, "--kind", "k-slab", "--state", "hover", "-o", path("k.png")}), 0)
      << err;
  EXPECT_GT(QImage(toQt(path("k.png"))).width(), 400);
  EXPECT_EQ(run({"picture", kDemo, "--kind", "k-slab", "--state", "asleep", "-o", path("k.png")}),
            2);
  EXPECT_EQ(run({"picture", kDemo, "-o", "/proc/nowhere/x.png"}), 2);
}

TEST_F(CommandLine, DeliverWritesPicturesWithAnIndex) {
  const Project project = demo();
  size_t pictures = 0;  // of what stands still one, of all else one for each state
  for (const auto& kind : project.kinds)
    pictures += kind->still ? 1 : find(project, kind->machine)->states.size();
  EXPECT_EQ(run({"deliver", kDemo, "--pictures", path("out")}), 0) << err;
  EXPECT_EQ(nlohmann::json::parse(*readFile(path("out/index.json")))["pictures"].size(), pictures);
}

TEST_F(CommandLine, NewWritesAProjectThatRunsAndNeverOverAnother) {
  const std::string file = path("mine.bristle");
  EXPECT_EQ(run({"new", file, "--buttons", "Up", "Down"}), 0) << err;
  EXPECT_EQ(run({"check", file}), 0) << out;
  const auto project = parseProject(*readFile(file));
  EXPECT_EQ(project->project.name, "mine");
  EXPECT_EQ(test::buttons(project->project).size(), 2U);
  EXPECT_EQ(run({"new", file}), 2);
  EXPECT_THAT(err, HasSubstr("is there already"));
}

// A disk that takes nothing more, as seen by a stream.
class FullStream : public std::ostream {
 public:
  FullStream() : std::ostream(&nowhere_) {}

 private:
  struct Nowhere : std::streambuf {
    int overflow(int) override { return traits_type::eof(); }
  } nowhere_;
};

TEST_F(CommandLine, WhatCannotBePrintedIsNoSuccess) {
  const std::vector<std::vector<std::string>> all{
      {"check", kDemo},
      {"laws", kDemo, "--no-mends"},
      {"routes", kDemo},
      {"rehearse", kDemo, "--take", kTour},
      {"deliver", kDemo, "--statechart", path("charts")}};
  for (auto words : all) {
    words.insert(words.begin(), "bristle");
    std::vector<char*> argv;
    for (std::string& word : words) argv.push_back(word.data());
    FullStream full;
    std::ostringstream errors;
    EXPECT_EQ(runCommand(int(argv.size()), argv.data(), {full, errors}, wish), 2) << words[1];
    EXPECT_THAT(errors.str(), HasSubstr("could not be written in full")) << words[1];
  }
}

TEST_F(CommandLine, NothingMissingIsHandedOver) {
  auto project = nlohmann::ordered_json::parse(*readFile(kDemo));
  const std::string part = project["kinds"][0]["parts"].back()["id"];
  project["kinds"][0]["parts"].push_back({{"id", "pic"}, {"name", "Pic"}, {"type", "picture"}});
  project["kinds"][0]["base"]["pic"] = {{"file", "art/none.png"}};
  const std::string file = write("holes.bristle", project.dump());
  EXPECT_EQ(run({"check", file}), 1);
  EXPECT_THAT(out, HasSubstr("picture “art/none.png”: is missing"));
  const std::string kind = project["kinds"][0]["id"];
  write("old.png", "precious");
  EXPECT_EQ(run({"picture", file, "--kind", kind, "-o", path("old.png")}), 1);
  EXPECT_THAT(err, HasSubstr("missing: art/none.png"));
  EXPECT_EQ(*readFile(path("old.png")), "precious");
  EXPECT_EQ(run({"deliver", file, "--pictures", path("out")}), 1);
  EXPECT_THAT(err, HasSubstr("missing: art/none.png"));
  EXPECT_TRUE(QDir(toQt(path("out"))).entryList(QDir::Files).isEmpty());
  EXPECT_EQ(run({"deliver", file, "--pictures", path("out"), "--allow-missing"}), 0) << err;
  EXPECT_EQ(run({"picture", file, "--kind", kind, "-o", path("old.png"), "--allow-missing"}), 0);
  EXPECT_FALSE(QImage(toQt(path("old.png"))).isNull());
}

TEST_F(CommandLine, WhatWouldBeTooLargeIsRefusedWithTheFigure) {
  auto project = nlohmann::ordered_json::parse(*readFile(kDemo));
  project["displays"][0]["width"] = project["displays"][0]["height"] = 16384;
  EXPECT_EQ(run({"picture", write("wide.bristle", project.dump()), "-o", path("w.png")}), 2);
  EXPECT_THAT(err, HasSubstr("16384 × 16384 px, 268 million"));
  project = nlohmann::ordered_json::parse(*readFile(kDemo));
  project["kinds"][0]["width"] = project["kinds"][0]["height"] = 8000;
  project["kinds"][0]["base"]["whole"]["scale"] = 10;
  const std::string kind = project["kinds"][0]["id"];
  EXPECT_EQ(
      run({"picture", write("big.bristle", project.dump()), "--kind", kind, "-o", path("b.png")}),
      2);
  EXPECT_THAT(err, HasSubstr("too large"));
}

TEST_F(CommandLine, LawsThatAreNotProvedAreToldAndStrictMindsThem) {
  auto project = nlohmann::ordered_json::parse(*readFile(kDemo));
  project["values"] =
      nlohmann::ordered_json::parse(R"([{"id": "a", "name": "a"}, {"id": "b", "name": "b"}])");
  for (auto& machine : project["machines"])
    machine["transitions"].push_back({{"from", "disabled"},
                                      {"on", "over.begin"},
                                      {"if", "@a > @b and @a < @b"},
                                      {"to", "disabled"}});
  const std::string file = write("values.bristle", project.dump());
  EXPECT_EQ(run({"laws", file}), 0) << out;
  EXPECT_THAT(out, HasSubstr("10 not proved"));
  EXPECT_THAT(out, HasSubstr("a formula puts two values together"));
  EXPECT_EQ(run({"laws", file, "--strict"}), 1);
  EXPECT_EQ(run({"laws", file, "--json"}), 0);
  const auto report = nlohmann::json::parse(out);
  EXPECT_EQ(report["kinds"][0]["laws"][1]["verdict"], "not proved");
  EXPECT_EQ(report["kinds"][0]["laws"][1]["kept"], false);
}

TEST_F(CommandLine, NewTakesAStatechartIn) {
  const std::string chart =
      write("door.scxml",
            "<scxml xmlns=\"http://www.w3.org/2005/07/scxml\" version=\"1.0\" name=\"door\">"
            "<state id=\"shut\"><transition event=\"press\" target=\"open\"/></state>"
            "<state id=\"open\"><transition event=\"release\" target=\"shut\"/></state></scxml>");
  EXPECT_EQ(run({"new", path("door.bristle"), "--statechart", chart}), 0) << err;
  const auto project = parseProject(*readFile(path("door.bristle")))->project;
  EXPECT_EQ(project.machines[0]->states.size(), 2U);
  EXPECT_EQ(run({"new", path("other.bristle"), "--statechart", path("none.scxml")}), 2);
  EXPECT_FALSE(QFile::exists(toQt(path("other.bristle"))));
}

TEST_F(CommandLine, PathsThatAreNotUtf8AreWrittenAsGiven) {
  const std::string odd = path("odd\xff\xfe.png");
  EXPECT_EQ(run({"picture", kDemo, "-o", odd}), 0) << err;
  EXPECT_TRUE(readFile(odd));
}

}  // namespace
}  // namespace bristle

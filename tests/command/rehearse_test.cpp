// Takes and the restless visitor on the command line.
#include <nlohmann/json.hpp>

#include "command/command_fixture.h"
#include "runtime/formats/project_file.h"

namespace bristle {
namespace {

using test::CommandLine;
using test::kDemo;
using test::kTour;
using testing::HasSubstr;

TEST_F(CommandLine, RehearseAllPlaysTheTakesBesideAProjectEverywhere) {
  Project menu = test::columnMenu({"one", "two"});
  const auto ids = test::buttons(menu);
  const std::string file = write("menu.bristle", writeProject(menu));
  EXPECT_EQ(run({"rehearse", file, "--all"}), 2);
  EXPECT_THAT(err, HasSubstr("there are no takes"));
  const std::string steps = "{\"at\":100,\"do\":\"move\",\"dir\":\"down\",\"by\":\"keyboard\"}\n";
  write("down.take.jsonl", "{\"take\":1,\"name\":\"down\"}\n" + steps +
                               "{\"at\":100,\"expect\":\"focus " + ids[0].text + " → " +
                               ids[1].text + " (down, solved)\"}\n");
  EXPECT_EQ(run({"rehearse", file, "--all", "--junit", path("out.xml")}), 0) << err;
  const auto displays = menu.displays.size();
  EXPECT_THAT(out, HasSubstr(std::to_string(displays) + " passed, 0 failed"));
  EXPECT_THAT(*readFile(path("out.xml")), HasSubstr("<testsuite name=\"down\""));
  write("wrong.take.jsonl",
        "{\"take\":1,\"name\":\"wrong\"}\n" + steps + "{\"at\":100,\"expect\":\"focus nobody\"}\n");
  EXPECT_EQ(run({"rehearse", file, "--all", "--display", menu.displays[0].id.text}), 1);
  EXPECT_THAT(out, HasSubstr("2 takes, 1 displays, 1 languages: 1 passed, 1 failed"));
  EXPECT_THAT(err, HasSubstr("line 3: expected “focus nobody”"));
  EXPECT_EQ(run({"rehearse", file, "--all", "--display", "none"}), 2);
  EXPECT_THAT(err, HasSubstr("there is no display “none”"));
}

TEST_F(CommandLine, TheRestlessVisitorKeepsWhatItFinds) {
  const std::string file = write("stuck.bristle", writeProject(test::columnMenu({"one", "two"})));
  EXPECT_EQ(run({"rehearse", file, "--restless", "500", "--seed", "3", "--keep", path(".")}), 1);
  EXPECT_THAT(out, HasSubstr("there is no way back"));
  EXPECT_THAT(out, HasSubstr("500 events, seed 3: 1 found"));
  EXPECT_EQ(run({"rehearse", file, "--take", path("restless-3-1.take.jsonl")}), 0) << err;
  EXPECT_EQ(run({"rehearse", kDemo, "--restless", "500"}), 0) << out;
  EXPECT_EQ(run({"rehearse", kDemo}), 2) << "one of the three is asked for";
}

TEST_F(CommandLine, RehearsePlaysWhatWasKeptFromTheScope) {
  const std::string take = write("click.scope.jsonl",
                                 "{\"take\":1,\"kind\":\"k-bolt\",\"length\":900}\n"
                                 "{\"at\":100,\"do\":\"over\"}\n"
                                 "{\"at\":100,\"expect\":\"state normal → hover\"}\n");
  EXPECT_EQ(run({"rehearse", kDemo, "--take", take}), 0) << err;
  EXPECT_THAT(out, HasSubstr("100\tstate normal → hover"));
  const std::string wrong = write("wrong.scope.jsonl",
                                  "{\"take\":1,\"kind\":\"k-bolt\",\"length\":900}\n"
                                  "{\"at\":100,\"do\":\"over\"}\n"
                                  "{\"at\":200,\"expect\":\"activate\"}\n");
  EXPECT_EQ(run({"rehearse", kDemo, "--take", wrong}), 1);
  EXPECT_THAT(err, HasSubstr("line 3: expected “activate”"));
}

TEST_F(CommandLine, RehearseTheTourTwiceGivesIdenticalTraces) {
  EXPECT_EQ(run({"rehearse", kDemo, "--take", kTour}), 0) << err;
  const std::string once = out;
  EXPECT_EQ(run({"rehearse", kDemo, "--take", kTour}), 0);
  EXPECT_EQ(out, once);
  EXPECT_THAT(once, HasSubstr("4300\tactivate slot-4\n"));
}

TEST_F(CommandLine, RehearseExitsOneWhenOneExpectationIsFalsified) {
  std::string take = *readFile(kTour);
  const auto at = take.find("activate slot-4");
  take.replace(at, 15, "activate slot-5");
  EXPECT_EQ(run({"rehearse", kDemo, "--take", write("t.jsonl", take)}), 1);
  EXPECT_THAT(err, HasSubstr("expected “activate slot-5”"));
  EXPECT_THAT(err, HasSubstr("activate slot-4"));
  EXPECT_EQ(run({"rehearse", kDemo, "--take", write("u.jsonl", "no json\n")}), 2);
  EXPECT_THAT(err, HasSubstr("line 1"));
}

TEST_F(CommandLine, ATakeWithoutEndStopsAndSaysWhy) {
  auto project = nlohmann::ordered_json::parse(*readFile(kDemo));
  for (auto& machine : project["machines"])
    for (auto& state : machine["states"])
      machine["transitions"].push_back({{"from", state["id"]},
                                        {"on", "message"},
                                        {"message", "ping"},
                                        {"to", state["id"]},
                                        {"effects", {{{"do", "message"}, {"message", "ping"}}}}});
  std::string take = "{\"take\":1,\"name\":\"x\"}\n";
  for (int i = 0; i < 2000; ++i)
    take += "{\"at\":" + std::to_string(i) + ",\"do\":\"message\",\"message\":\"ping\"}\n";
  EXPECT_EQ(run({"rehearse", write("loop.bristle", project.dump()), "--take",
                 write("loop.take.jsonl", take)}),
            2);
  EXPECT_THAT(err, HasSubstr("go on without end"));
}

}  // namespace
}  // namespace bristle

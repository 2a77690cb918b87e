// Random work on looks: whatever is done, undo brings back exactly what was, redo what was undone,
// the file gives back what was written, and the looks can be made ready to show.
#include <gtest/gtest.h>

#include <random>

#include "core/edit/button_edits.h"
#include "core/edit/carry_edits.h"
#include "core/edit/kind_edits.h"
#include "core/edit/library_edits.h"
#include "core/edit/machine_edits.h"
#include "core/edit/motion_edits.h"
#include "core/edit/named_edits.h"
#include "core/edit/state_edits.h"
#include "core/edit/timing_edits.h"
#include "runtime/formats/project_file.h"
#include "runtime/machine/look.h"
#include "runtime/machine/mix.h"
#include "support/menus.h"

namespace bristle {
namespace {

class Worker {
 public:
  explicit Worker(unsigned seed) : dice_(seed) {}
  size_t roll(size_t n) { return n ? dice_() % n : 0; }
  double real(double least, double most) {
    return std::uniform_real_distribution<double>(least, most)(dice_);
  }
  Colour colour() {
    const auto c = [&] { return static_cast<std::uint8_t>(roll(256)); };
    return {c(), c(), c(), c()};
  }

  Value valueFor(const PropertyInfo& info, const Project& project) {
    if (roll(6) == 0 && !project.named->empty()) {
      const NamedValue& named = (*project.named)[roll(project.named->size())];
      if (fits(named.type, info)) return NamedRef{named.id};
    }
    struct Make {
      Worker& w;
      const PropertyInfo& info;
      Value operator()(double) const { return w.real(info.least, info.most); }
      Value operator()(bool) const { return w.roll(2) == 0; }
      Value operator()(Colour) const { return w.colour(); }
      Value operator()(const Fill&) const {
        const size_t stops = w.roll(5);
        if (stops == 0) return Fill{};
        if (stops == 1) return Fill::solid(w.colour());
        Fill fill = Fill::linear(w.real(0, 360), {});
        for (size_t i = 0; i < stops; ++i)
          fill.stops.push_back({double(i) / double(stops - 1), w.colour()});
        if (w.roll(2)) {
          fill.type = FillType::Radial;
          fill.angle = 90;
          fill.x = w.real(0, 1);
          fill.y = w.real(0, 1);
          fill.radius = w.real(0.1, 2);
        }
        return fill;
      }
      Value operator()(const Shadow&) const {
        return Shadow{w.real(-20, 20), w.real(-20, 20), w.real(0, 40), w.real(-5, 5), w.colour()};
      }
      Value operator()(const std::string&) const {
        if (info.choices.empty()) return std::string("text ") + std::to_string(w.roll(9));
        std::vector<std::string> all;
        std::string word;
        for (char c : std::string(info.choices) + "|") {
          if (c == '|') {
            all.push_back(word);
            word.clear();
          } else {
            word += c;
          }
        }
        return all[w.roll(all.size())];
      }
      Value operator()(const Four&) const {
        const auto v = [&] { return w.real(info.least, std::min(info.most, 40.0)); };
        return w.roll(2) ? Four::all(v()) : Four{v(), v(), v(), v()};
      }
      Value operator()(const Easing&) const { return Easing{}; }
      Value operator()(const NamedRef&) const { return 0.0; }
    };
    return std::visit(Make{*this, info}, info.start);
  }

  LookOwner owner(const Project& p) {
    const Kind& kind = *p.kinds[roll(p.kinds.size())];
    if (roll(4) == 0)
      for (const auto& item : p.screens[0]->items)
        if (item->button() && item->button()->kind == kind.id)
          return {kind.id, p.screens[0]->id, item->id};
    return {kind.id};
  }

  Column column(const Project& p, const Kind& kind) {
    const Machine& m = *find(p, kind.machine);
    const size_t i = roll(m.states.size() + 1);
    return i == 0 ? Column{} : Column{m.states[i - 1].id};
  }

  Edit edit(const Project& p) {
    const LookOwner who = owner(p);
    const Kind& kind = *find(p, who.kind);
    const Machine& machine = *find(p, kind.machine);
    const auto all = allProperties(kind);
    const PropKey key = all[roll(all.size())];
    const PropertyInfo& info = *findProperty(*partType(kind, key.part), key.prop);
    const auto part = [&] {
      return kind.parts.empty() ? PartId{} : kind.parts[roll(kind.parts.size())].id;
    };
    const auto named = [&] {
      return p.named->empty() ? NamedId{} : (*p.named)[roll(p.named->size())].id;
    };
    const std::string fresh = "x" + std::to_string(roll(10'000'000));
    switch (roll(24)) {
      case 0:
        return addPart(kind.id, static_cast<PartType>(1 + roll(5)), "Part");
      case 1:
        return removePart(kind.id, part());
      case 2:
        return movePart(kind.id, part(), static_cast<int>(roll(5)) - 2);
      case 3:
        return addState(kind.id, fresh, Role::None, machine.states[roll(machine.states.size())].id);
      case 4:
        return removeState(kind.id, machine.states.back().id);
      case 5:
        return copyColumn(who, column(p, kind), {column(p, kind), column(p, kind)});
      case 6:
        return addNamed(NamedType::Colour, fresh, colour());
      case 7:
        return setNamed(named(), roll(2), Value(colour()));
      case 8:
        return removeNamed(named(), named());
      case 9:
        return nameCell(who, column(p, kind), key, fresh, roll(2));
      case 10:
        return carryOver(kind.id,
                         {{part(), part()}, roll(2) > 0, true, true, roll(2) > 0, roll(3) == 0},
                         {{p.kinds[roll(p.kinds.size())]->id}});
      case 11: {
        const auto copy = copyOfPart(kind, part());
        if (copy) return pastePart(p.kinds[roll(p.kinds.size())]->id, *copy);
        break;
      }
      case 12:
        return takeKinds(libraryOf(p, {kind.id}), {kind.id}, {});
      case 13:
        return detach(p.screens[0]->id, test::buttons(p)[roll(2)]);
      case 14:
        return changeCells(who, {{column(p, kind), key, {}}}, "clear");
      case 15:
        return swapTextAndFill(kind.id, {column(p, kind)});
      case 16:
        return setMotion(kind.id, machine.states[roll(machine.states.size())].id, motion(kind),
                         "move");
      case 17: {
        const std::optional<size_t> transition =
            roll(2) ? std::optional<size_t>(roll(machine.transitions.size())) : std::nullopt;
        const std::optional<Prop> prop = roll(2) ? std::optional<Prop>(key.prop) : std::nullopt;
        if (roll(4) == 0) return clearTiming(machine.id, {transition, prop}, roll(2));
        return changeTiming(machine.id, {transition, prop}, roll(2), "time", {}, [this](Timing& t) {
          t.duration = Ms(roll(400));
          t.easing = *parseEasing(roll(2) ? "spring 220 0.4" : "steps 3");
        });
      }
      case 18:
        return applyTemplate(machine.id, allTemplates()[roll(allTemplates().size())],
                             roll(2) ? Wins::Hover : Wins::Focused);
      case 19:
        return changeTransition(
            machine.id, roll(machine.transitions.size()), "sound", {}, [this](Transition& t) {
              t.effects = {{.type = EffectType::Sound, .file = "a.wav", .volume = real(0, 1)}};
            });
      default:
        break;
    }
    return setLook(who, {column(p, kind), column(p, kind)}, key, valueFor(info, p));
  }

  // Of numbers that the kind has, and now and then of one that it has not.
  std::optional<StateMotion> motion(const Kind& kind) {
    if (roll(5) == 0) return {};
    StateMotion out{Ms(roll(50)), Ms(50 + roll(900)), int(roll(3)), {}};
    const auto all = allProperties(kind);
    for (size_t i = 0; i < 1 + roll(3); ++i)
      out.tracks.push_back({all[roll(all.size())], {{0, 0, {}}, {0.5, real(-1, 1), {}}}});
    return out;
  }

 private:
  std::mt19937 dice_;
};

// Every button as it would be shown, in every state, and half-way from each to the next.
void showAll(const Project& p) {
  for (const auto& screen : p.screens)
    for (const auto& item : screen->items) {
      const auto* button = item->button();
      const Kind* kind = button ? find(p, button->kind) : nullptr;
      const Machine* machine = kind ? find(p, kind->machine) : nullptr;
      if (!machine) continue;
      auto table = std::make_shared<LookTable>(*kind, *machine, naming(p), &button->own);
      LookPlayer player(table);
      Ms now = 0;
      for (size_t s = 0; s < table->stateCount(); ++s) {
        player.go(static_cast<StateIndex>(s), Timing{100, 0, {}}, now);
        const Look& half = player.at(now + 50);
        ASSERT_EQ(half.size(), table->channels().size());
        now += 200;
        const Look& there = player.at(now);
        for (size_t c = 0; c < there.size(); ++c)
          if (!table->stirs(static_cast<StateIndex>(s), int(c))) {
            ASSERT_EQ(there[c], table->state(static_cast<StateIndex>(s))[c]);
          }
      }
    }
}

TEST(RandomEdits, AreUndoneRedoneSavedAndShown) {
  for (unsigned seed = 1; seed <= 40; ++seed) {
    Worker worker(seed);
    History history(test::columnMenu({"One", "Two"}));
    std::vector<Project> states{history.now()};
    for (int step = 0; step < 60; ++step) {
      const auto done = history.perform(worker.edit(history.now()));
      if (!done) {
        ASSERT_FALSE(done.error().text().empty()) << "a refusal says why";
        ASSERT_TRUE(equal(history.now(), states.back())) << "and changes nothing";
        continue;
      }
      history.seal();
      if (done->any() && !equal(history.now(), states.back())) states.push_back(history.now());
    }
    ASSERT_NO_FATAL_FAILURE(showAll(history.now())) << seed;
    const auto read = parseProject(writeProject(history.now()));
    ASSERT_TRUE(read) << seed << " " << read.error().text();
    EXPECT_EQ(writeProject(read->project), writeProject(history.now())) << seed;
    for (size_t i = states.size() - 1; i-- > 0;) {
      ASSERT_TRUE(history.canUndo()) << seed;
      history.undo();
      ASSERT_TRUE(equal(history.now(), states[i])) << seed << " step " << i;
    }
    EXPECT_FALSE(history.canUndo());
    while (history.canRedo()) history.redo();
    EXPECT_TRUE(equal(history.now(), states.back())) << seed;
  }
}

TEST(Mixing, EveryEndIsExactAndTheMiddleStaysBetween) {
  Worker worker(5);
  const Project none = emptyProject();
  for (auto type : {PartType::Shape, PartType::Label, PartType::Picture, PartType::Icon})
    for (const PropertyInfo& info : propertiesOf(type))
      for (int round = 0; round < 20; ++round) {
        const Value a = worker.valueFor(info, none), b = worker.valueFor(info, none);
        Value half = a;
        mixInto(half, a, b, 0.5);
        ASSERT_EQ(half.index(), a.index()) << info.key;
        if (const auto* number = std::get_if<double>(&half)) {
          EXPECT_GE(*number, std::min(std::get<double>(a), std::get<double>(b)) - 1e-9);
          EXPECT_LE(*number, std::max(std::get<double>(a), std::get<double>(b)) + 1e-9);
        }
        if (const auto* fill = std::get_if<Fill>(&half)) {
          const Fill &x = std::get<Fill>(a), &y = std::get<Fill>(b);
          EXPECT_GE(fill->stops.size(), std::max(x.stops.size(), y.stops.size()));
          for (size_t i = 1; i < fill->stops.size(); ++i)
            EXPECT_LE(fill->stops[i - 1].at, fill->stops[i].at) << "in order";
        }
      }
}

TEST(OwnLooks, OfAFileAreRefusedWhereTheyAreNonsense) {
  const Project project = test::fullProject();
  const std::string text = writeProject(project);
  const auto with = [&](const std::string& from, const std::string& to) {
    std::string changed = text;
    const auto at = changed.find(from);
    EXPECT_NE(at, changed.npos) << from;
    changed.replace(at, from.size(), to);
    const auto read = parseProject(changed);
    return read ? std::string("taken") : read.error().text();
  };
  EXPECT_NE(with("\"label.size\": 33.0", "\"label.size\": \"big\"").find("/own/base"),
            std::string::npos);
  EXPECT_NE(with("\"label.size\": 33.0", "\"label.size\": 9000").find("from 4 to 400"),
            std::string::npos);
  EXPECT_NE(with("\"hitForm\": \"alpha\"", "\"hitForm\": \"cloud\"").find("/hitForm"),
            std::string::npos);
  EXPECT_NE(with("\"type\": \"length\"", "\"type\": \"girth\"").find("/named/1/type"),
            std::string::npos);
  EXPECT_NE(with("\"name\": \"corner\"", "\"name\": \"tide.bright\"").find("of its own"),
            std::string::npos);
  EXPECT_NE(with("\"name\": \"corner\"", "\"name\": \"a..b\"").find("/named/1/name"),
            std::string::npos);
}

}  // namespace
}  // namespace bristle

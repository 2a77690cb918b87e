// What colleagues are told of a menu, as HTML and as PDF, and what is marked in it as changed.
#include "deliver/specification.h"

#include <gmock/gmock.h>

#include <QHash>
#include <QTemporaryDir>
#include <QThread>
#include <memory>
#include <set>

#include "core/edit/button_edits.h"
#include "core/edit/look_owner.h"
#include "core/formats/file_io.h"
#include "deliver/outputs.h"
#include "paint/convert.h"
#include "paint/look_painter.h"
#include "runtime/formats/project_file.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::HasSubstr;
using testing::Not;

Specification told(const Project& project) {
  LookPainter looks;
  auto spec = specify({project, looks});
  return spec ? std::move(*spec) : Specification{};
}

const SpecSection* sectionOf(const Specification& spec, const std::string& id) {
  for (const SpecSection& each : spec.sections)
    if (each.id == id) return &each;
  return nullptr;
}

TEST(Specification, HasEachKindMachineAndScreenOnEachDisplay) {
  const Project p = test::fullProject();
  const Specification spec = told(p);
  std::set<std::string> ids;
  for (const SpecSection& each : spec.sections) {
    EXPECT_TRUE(ids.insert(each.id).second) << each.id << " twice";
    for (const SpecRow& row : each.rows)
      EXPECT_EQ(row.cells.size(), each.head.size()) << each.title << ", " << row.key;
  }
  for (const auto& kind : p.kinds) EXPECT_TRUE(ids.count(kind->id.text)) << kind->name;
  for (const auto& machine : p.machines) EXPECT_TRUE(ids.count(machine->id.text));
  for (const auto& screen : p.screens)
    for (const Display& display : p.displays)
      EXPECT_TRUE(ids.count(screen->id.text + "-" + display.id.text));
}

TEST(Specification, ShowsEveryStateAtTrueSize) {
  const Project p = test::columnMenu({"Dive"});
  const Specification spec = told(p);
  const SpecSection* kind = sectionOf(spec, p.kinds[0]->id.text);
  ASSERT_TRUE(kind);
  const Machine& machine = *find(p, p.kinds[0]->machine);
  ASSERT_EQ(kind->figures.size(), machine.states.size());
  std::set<QByteArray> seen;
  for (size_t s = 0; s < machine.states.size(); ++s) {
    EXPECT_EQ(kind->figures[s].caption, machine.states[s].name);
    EXPECT_GE(kind->figures[s].width, p.kinds[0]->width);
    EXPECT_EQ(kind->figures[s].image.width(), 2 * kind->figures[s].width) << "sharp when printed";
    const QImage& image = kind->figures[s].image;
    seen.insert(QByteArray(reinterpret_cast<const char*>(image.constBits()), image.sizeInBytes()));
  }
  EXPECT_GE(seen.size(), 4u) << "states look different";
}

TEST(Specification, MeasuresAndRoutesAreThoseOfTheMenu) {
  const Project p = test::placedMenu({{10, 20, 100, 40}, {10, 90, 100, 40}});
  const Specification spec = told(p);
  const SpecSection* screen = sectionOf(spec, p.screens[0]->id.text + "-" + p.displays[0].id.text);
  ASSERT_TRUE(screen);
  ASSERT_EQ(screen->rows.size(), 2u);
  const auto cell = [&](size_t row, const std::string& head) {
    const auto at = std::find(screen->head.begin(), screen->head.end(), head);
    return screen->rows[row].cells.at(size_t(at - screen->head.begin())).text;
  };
  EXPECT_EQ(cell(0, "x"), "10");
  EXPECT_EQ(cell(1, "y"), "90");
  EXPECT_EQ(cell(1, "Height"), "40");
  EXPECT_THAT(cell(0, "Down"), HasSubstr("2 "));
  EXPECT_EQ(cell(0, "Up"), "–");
}

TEST(Specification, CaptionsCanNotInject) {
  const Project p = test::columnMenu({"<script>alert(1)</script>\"'&"});
  const std::string html = specHtml(told(p));
  EXPECT_THAT(html, Not(HasSubstr("<script")));
  EXPECT_THAT(html, HasSubstr("&lt;script&gt;"));
  EXPECT_THAT(html, HasSubstr("default-src 'none'"));
  EXPECT_THAT(html, Not(HasSubstr("http://"))) << "nothing is fetched";
}

TEST(Specification, EachLinkOfTheContentsLeadsSomewhere) {
  const std::string html = specHtml(told(test::fullProject()));
  size_t links = 0;
  for (size_t at = 0; (at = html.find("href=\"#", at)) != std::string::npos; ++at, ++links) {
    const size_t from = at + 7, to = html.find('"', from);
    EXPECT_THAT(html, HasSubstr("id=\"" + html.substr(from, to - from) + "\""));
  }
  EXPECT_GT(links, 5u);
}

TEST(Specification, TheSameGivesTheSameDocument) {
  const Specification spec = told(test::fullProject());
  const std::string pdf = specPdf(spec);
  EXPECT_EQ(pdf.substr(0, 5), "%PDF-");
  // As in another run of the program, where chance begins otherwise.
  for (int i = 0; i < 8; ++i) {
    QHashSeed::resetRandomGlobalSeed();
    EXPECT_TRUE(pdf == specPdf(spec));
  }
  // The window packs it on another thread than the command line may.
  std::string elsewhere;
  const std::unique_ptr<QThread> thread(QThread::create([&] { elsewhere = specPdf(spec); }));
  thread->start();
  thread->wait();
  EXPECT_EQ(pdf, elsewhere);
  EXPECT_EQ(specHtml(spec), specHtml(told(test::fullProject())));
}

TEST(Specification, MarksWhatHasChanged) {
  const Project before = test::columnMenu({"Dive", "Surface"});
  const auto ids = test::buttons(before);
  Project after = before;
  edit(*edit(after, after.screens[0]->id), ids[0])->button()->caption = Text("Go down");
  edit(after, after.kinds[0]->id)->width += 20;
  after.screens.push_back(after.screens[0]);
  after.screens.back().edit().id = {"s-new"};
  after.screens.back().edit().name = "Second";
  Specification now = told(after);
  markChanges(now, told(before), "v1.bristle");
  EXPECT_THAT(changeWords(now), HasSubstr("v1.bristle"));
  EXPECT_EQ(sectionOf(now, "s-new")->change, SpecChange::New);
  EXPECT_EQ(sectionOf(now, after.kinds[0]->id.text)->change, SpecChange::Changed);
  const SpecSection* buttons = sectionOf(now, after.screens[0]->id.text + "-buttons");
  ASSERT_TRUE(buttons);
  EXPECT_EQ(buttons->rows[0].change, SpecChange::Changed);
  EXPECT_THAT(buttons->rows[0].was, HasSubstr("Dive"));
  EXPECT_EQ(buttons->rows[1].change, SpecChange::None);
  EXPECT_EQ(sectionOf(now, "displays")->change, SpecChange::None);
  EXPECT_THAT(specHtml(now), HasSubstr("was: "));

  Specification back = told(before);
  markChanges(back, told(after), "v2.bristle");
  EXPECT_THAT(back.gone, testing::ElementsAre("Second"));
}

TEST(Specification, NothingIsMarkedWhereNothingHasChanged) {
  Specification now = told(test::fullProject());
  markChanges(now, told(test::fullProject()), "same.bristle");
  for (const SpecSection& each : now.sections) EXPECT_EQ(each.change, SpecChange::None) << each.id;
  EXPECT_TRUE(now.gone.empty());
}

TEST(Specification, SaysWhyAnEarlierVersionIsNone) {
  const QTemporaryDir folder;
  LookPainter looks;
  const Project p = test::columnMenu({"Dive"});
  OutputSetting with{p, looks, fromQt(folder.path())};
  Output output{OutputSort::Specification};
  output.since = "old.bristle";
  const auto missing = makeOutput(output, with);
  ASSERT_FALSE(missing);
  EXPECT_THAT(missing.error().text(), HasSubstr("old.bristle"));
  ASSERT_TRUE(writeFile(fromQt(folder.path()) + "/old.bristle", "{\"bristle\":"));
  const auto broken = makeOutput(output, with);
  ASSERT_FALSE(broken);
  EXPECT_THAT(broken.error().text(), HasSubstr("no earlier version"));
  ASSERT_TRUE(writeFile(fromQt(folder.path()) + "/old.bristle", writeProject(p)));
  EXPECT_TRUE(makeOutput(output, with));
}

TEST(Specification, CanBeStopped) {
  LookPainter looks;
  int asked = 0;
  EXPECT_FALSE(specify({test::fullProject(), looks, [&](int, int) { return ++asked < 3; }}));
  EXPECT_EQ(asked, 3);
}

}  // namespace
}  // namespace bristle

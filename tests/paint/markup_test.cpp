// What the page draws by HTML and SVG is what the painter draws: outlines, icons, places; and
// nothing that people write gets into the markup as markup.
#include <fmt/format.h>
#include <gmock/gmock.h>

#include <QPainterPath>
#include <cmath>
#include <map>
#include <nlohmann/json.hpp>
#include <random>

#include "core/edit/screen_edits.h"
#include "markup/css.h"
#include "markup/form_path.h"
#include "markup/scaled_path.h"
#include "markup/scene.h"
#include "paint/convert.h"
#include "paint/forms.h"
#include "runtime/formats/menu_file.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

using testing::HasSubstr;

// To a thousandth, as the shortest digits of that have it; transforms to a hundred thousandth.
TEST(Css, NumbersAreRounded) {
  EXPECT_EQ(cssNumber(0), "0");
  EXPECT_EQ(cssNumber(-0.0004), "0");
  EXPECT_EQ(cssNumber(-0.5), "-0.5");
  EXPECT_EQ(cssNumber(1200), "1200");
  EXPECT_EQ(cssNumber(std::nan("")), "0");
  EXPECT_EQ(cssMotion({0.5, 0, 0, 1.000004, 0, 0}, 0, 0), "transform:matrix(0.5,0,0,1,0,0);");
  std::mt19937 random(3);
  for (int i = 0; i < 20'000; ++i) {
    const double value = (double(random()) / 4294967296.0 - 0.5) * std::pow(10, random() % 9);
    const double wanted = std::round(value * 1000) / 1000;
    EXPECT_EQ(cssNumber(value), wanted == 0 ? "0" : fmt::format("{}", wanted)) << value;
  }
  for (const double far : {1e30, -1e30})
    EXPECT_EQ(cssNumber(far), far > 0 ? "1000000000000" : "-1000000000000");
}

TEST(Css, TextsAreJson) {
  for (const char* text : {"", "plain", "a\"b\\c", "\n\t", "\x01 end", "Tür · ظ", "\"\""})
    EXPECT_EQ(nlohmann::json::parse(jsonText(text)).get<std::string>(), text);
  std::string longer = "before ";
  addJsonText(longer, "x\ny");
  EXPECT_EQ(longer, "before \"x\\u000ay\"");
}

// A shape with the values that a test gives it.
struct AShape {
  AShape() {
    for (const PropertyInfo& info : propertiesOf(PartType::Shape))
      values.push_back(std::holds_alternative<bool>(info.start)
                           ? Value(std::get<bool>(info.start) ? 1.0 : 0.0)
                           : info.start);
  }
  void set(Prop prop, Value value) {
    values[size_t(indexOf(PartType::Shape, prop))] = std::move(value);
  }
  PartValues of(bool mirrored = false) const { return {PartType::Shape, values.data(), mirrored}; }
  Look values;
};

// The share of places that only one of two outlines holds.
double differs(const QPainterPath& a, const QPainterPath& b, const QRectF& room) {
  int apart = 0, all = 0;
  for (double y = room.top(); y < room.bottom(); y += room.height() / 60)
    for (double x = room.left(); x < room.right(); x += room.width() / 60, ++all)
      apart += a.contains(QPointF(x, y)) != b.contains(QPointF(x, y));
  return double(apart) / all;
}

TEST(Markup, OutlinesAreThoseOfThePainter) {
  std::mt19937 random(3);
  const auto upTo = [&](double most) { return double(random() % 1000) / 1000 * most; };
  for (int round = 0; round < 300; ++round) {
    AShape shape;
    static const std::string kForms[] = {"rectangle", "ellipse", "pill",
                                         "chevron",   "polygon", "outline"};
    const std::string& form = kForms[size_t(round) % 6];
    shape.set(Prop::Form, form);
    shape.set(Prop::Radius, Four{upTo(60), upTo(60), round % 3 ? upTo(60) : 0, upTo(60)});
    shape.set(Prop::Point, upTo(80) - 40);
    shape.set(Prop::Sides, 3 + std::floor(upTo(9)));
    shape.set(Prop::Outline, std::string("M0 20Q50 -10 100 20L90,80 10 80zM30 30h20v20h-20Z"));
    const Box box{upTo(30), upTo(30), 40 + upTo(200), 30 + upTo(120)};
    const double by = form == "outline" ? 0 : upTo(12) - 6;
    const PartValues values = shape.of(round % 2 == 0);
    const auto theirs = parseSvgPath(formPathData(values, box, by));
    ASSERT_TRUE(theirs) << formPathData(values, box, by);
    const QRectF room = toQt(box).adjusted(-10, -10, 10, 10);
    EXPECT_LT(differs(*theirs, formPath(values, toQt(box), by), room), 0.012)
        << form << ", round " << round << ": " << formPathData(values, box, by);
  }
  for (const char* glyph : {"wedge", "bar", "drop", "underline", "caret", "dot"}) {
    const auto theirs = parseSvgPath(markerPathData(glyph, 40));
    ASSERT_TRUE(theirs);
    EXPECT_LT(differs(*theirs, markerPath(glyph, 40), {-30, -30, 60, 60}), 0.01) << glyph;
  }
}

TEST(Markup, PathsAreScaledAsWhatTheyDraw) {
  const Box to{10, 20, 50, 50};
  for (const char* data :
       {"M10 10L90 10 90 90Z", "m10 10 l80 0 l0 80 z", "M10 50A40 40 0 1 1 90 50Z",
        "M10 50a40 40 0 11 80 0z", "M10,10C20-5 80-5 90,10S90 80 50 90T10 10", "M5 5H95V95H5Z"})
    for (const bool mirrored : {false, true}) {
      const auto before = parseSvgPath(data),
                 after = parseSvgPath(scaledPathData(data, to, mirrored));
      ASSERT_TRUE(before && after) << data << " → " << scaledPathData(data, to, mirrored);
      QTransform scale;
      if (mirrored)
        scale = QTransform(-0.5, 0, 0, 0.5, 60, 20);
      else
        scale = QTransform(0.5, 0, 0, 0.5, 10, 20);
      EXPECT_LT(differs(scale.map(*before), *after, {5, 15, 60, 60}), 0.01)
          << data << " → " << scaledPathData(data, to, mirrored);
    }
  EXPECT_EQ(scaledPathData("M10 10 L nonsense", to, false), "");
  EXPECT_EQ(scaledPathData("<script>", to, false), "");
}

// A page's first frame of a menu with such a caption, name and description.
nlohmann::json frameOf(const std::string& words) {
  Project p = columnMenu({words});
  for (auto& item : p.screens[0].edit().items)
    if (item->button()) {
      item.edit().button()->description = words;
      item.edit().name = words;
    }
  p.screens[0].edit().name = words;
  static const PlainMeasure measure;
  auto session = Session::start(p, Showing(p.displays[0]), measure);
  Scene scene({});
  const std::string text = scene.frame(*session);
  return nlohmann::json::parse(text);
}

TEST(Markup, WordsStayWords) {
  for (const std::string words :
       {"<script>alert(1)</script>", "\" onclick=\"x", "a\\b\nc\td",
        "\xE2\x80\xAE right to left \xE2\x80\x8F", "'); drop(\"", "}{&amp;", "\x01\x1f"}) {
    const auto frame = frameOf(words);
    EXPECT_EQ(frame["screens"][0]["name"], words);
    bool found = false;
    for (const auto& [key, item] : frame["items"].items()) {
      if (item["sort"] != "button") continue;
      EXPECT_EQ(item["name"], words);
      EXPECT_EQ(item["about"], words);
      for (const auto& part : item["parts"]) {
        if (part.is_null()) continue;
        if (part.contains("t")) {
          EXPECT_EQ(part["t"]["words"], words);
          found = true;
        } else {
          EXPECT_THAT(part["h"].get<std::string>(), testing::Not(HasSubstr("script")));
        }
      }
    }
    EXPECT_TRUE(found);
  }
}

TEST(Markup, AFrameTellsOnlyWhatLooksOtherwise) {
  const Project p = columnMenu({"Dive", "Chart", "Leave"});
  const PlainMeasure measure;
  auto session = Session::start(p, Showing(p.displays[0]), measure);
  Scene scene({});
  const auto first = nlohmann::json::parse(scene.frame(*session));
  EXPECT_GE(first["items"].size(), 3u);
  session->feed({.at = 2'000});
  EXPECT_TRUE(nlohmann::json::parse(scene.frame(*session))["items"].size() <= 1)
      << "the way to the look of focus";
  EXPECT_EQ(nlohmann::json::parse(scene.frame(*session))["items"].size(), 0u);
  session->feed({.at = 2'100, .type = InputType::Move, .dir = Dir::Down});
  session->feed({.at = 4'000});
  const auto moved = nlohmann::json::parse(scene.frame(*session));
  EXPECT_EQ(moved["items"].size(), 2u) << "focus went from one to another";
  EXPECT_NE(moved["focus"], first["focus"]);
  scene.forget();
  EXPECT_EQ(nlohmann::json::parse(scene.frame(*session))["items"].size(), first["items"].size());
}

// What a page has put together from frame to frame is what a page that was opened now would have.
TEST(Markup, FrameByFrameItIsWhatANewSceneTells) {
  const Project p = columnMenu({"Dive", "Chart", "Leave"});
  const PlainMeasure measure;
  auto session = Session::start(p, Showing(p.displays[0]), measure);
  Scene scene({});
  std::map<std::string, nlohmann::json> page;
  std::mt19937 random(3);
  int asBefore = 0;
  for (Ms now = 0; now < 6'000; now += Ms(1 + random() % 60)) {
    InputEvent event{.at = now};
    if (random() % 4 == 0)
      event = {.at = now,
               .type = InputType::Point,
               .device = Device::Mouse,
               .x = double(random() % 700),
               .y = double(random() % 500)};
    if (random() % 6 == 0)
      event = {.at = now, .type = InputType::Move, .dir = Dir::Down, .down = random() % 2 == 0};
    session->feed(event);
    const auto frame = nlohmann::json::parse(scene.frame(*session));
    for (const auto& [key, item] : frame["items"].items()) {
      nlohmann::json whole = item;
      for (size_t i = 0; i < whole["parts"].size(); ++i)
        if (whole["parts"][i] == 0) {
          ++asBefore;
          ASSERT_LT(i, page[key]["parts"].size());
          whole["parts"][i] = page[key]["parts"][i];
        }
      page[key] = whole;
    }
    Scene fresh({});
    const auto all = nlohmann::json::parse(fresh.frame(*session));
    for (const auto& [key, item] : all["items"].items()) ASSERT_EQ(page[key], item) << key;
  }
  EXPECT_GT(asBefore, 50) << "most parts of a button stay as they are";
}

TEST(Markup, ADeliveredMenuReadsBackAsItWas) {
  const Project p = fullProject();
  Measured measured;
  measured.texts.push_back({"Inter", 24, 500, "Dive", {{52, 29}, 17}});
  auto read = parseMenu(writeMenu(p, measured));
  ASSERT_TRUE(read) << read.error().error.text();
  EXPECT_EQ(read->measured, measured);
  Project lean = p;
  lean.accepted.clear();
  lean.deliveries.clear();
  lean.foreignTokens = {};
  for (auto& screen : lean.screens) screen.edit().guides.clear();
  EXPECT_TRUE(equal(read->project, lean));
}

}  // namespace
}  // namespace bristle::test

#include "markup/scene.h"

#include <fmt/format.h>

#include <algorithm>
#include <utility>

#include "markup/css.h"
#include "runtime/focus/scopes.h"
#include "runtime/machine/part_place.h"
#include "runtime/session/prompts.h"

namespace bristle {
namespace {

std::string captionJson(const PartCaption& c) {
  return fmt::format(
      "{{\"x\":{},\"y\":{},\"w\":{},\"h\":{},\"family\":{},\"size\":{},\"weight\":{},\"spacing\":{}"
      ","
      "\"colour\":\"{}\",\"side\":{},\"over\":{},\"two\":{},\"letters\":{},\"words\":{}}}",
      cssNumber(c.room.x), cssNumber(c.room.y), cssNumber(c.room.w), cssNumber(c.room.h),
      jsonText(c.family), cssNumber(c.size), cssNumber(c.weight), cssNumber(c.spacing),
      toHex(c.colour), c.side, jsonText(c.overflow), c.twoLines, jsonText(c.letters),
      jsonText(c.words));
}

std::string htmlJson(std::string_view style, std::string_view html) {
  std::string out = "{\"s\":";
  addJsonText(out, style);
  out += ",\"h\":";
  addJsonText(out, html);
  return out += '}';
}

// What a screen reader is told of a button besides its name: the state of a flag that it turns, of
// what flies out from it.
std::string stateWords(const ScreenRun& run, size_t box, const Session& session) {
  const ButtonRun& button = run.buttons[box];
  const Signals& signals = button.running.signals;
  std::string out = fmt::format(",\"disabled\":{},\"current\":{}", !signals.has(Signals::Enabled),
                                signals.has(Signals::Current));
  for (const Action& action : button.item->button()->actions)
    if (action.type == ActionType::Flip) {
      out += fmt::format(",\"pressed\":{}", session.value(action.value) != 0);
      break;
    }
  for (const PlacedFlyOut& flyOut : run.layout.flyOuts)
    if (flyOut.from == static_cast<size_t>(run.routes.items[box]))
      out += fmt::format(",\"expanded\":{}", flyOut.open);
  return out;
}

}  // namespace

// One item as it is seen now.
struct Scene::At {
  Session& session;
  ScreenRun& run;
  size_t index;
  const Item& item;
  const Placed& placed;
  int box;
  std::string key;
};

std::string Scene::frame(Session& session) {
  next_.clear();
  std::string screens, items;
  const auto seen = session.seen();
  for (ScreenRun* run : seen) {
    if (!screens.empty()) screens += ',';
    screens += screen(session, *run, run == &session.stack().back(), items);
  }
  std::string focus;
  if (!session.stack().empty() && session.stack().back().focus >= 0) {
    const ScreenRun& top = session.stack().back();
    focus = fmt::format("{}-{}", top.number, top.routes.items[size_t(top.focus)]);
  }
  told_ = std::move(next_);
  std::string out = fmt::format("{{\"at\":{},\"moving\":{},\"focus\":\"{}\",\"screens\":[{}],",
                                session.now(), session.moving(), focus, screens);
  return out += "\"items\":{" + items + "}}";
}

std::string Scene::screen(Session& session, ScreenRun& run, bool top, std::string& items) {
  const Screen& screen = *run.screen;
  const double presence = run.life.presence(session.now());
  const ScreenMotion& motion = run.life.motion();
  const Layout& layout = run.layout;
  const Box all{0, 0, layout.width, layout.height};
  const bool together = motion.follow == 0;
  std::string style;
  if (together)
    style = cssMotion(motionAt(motion, presence, {all.w, all.h}, layout.rightToLeft,
                               all.w * motion.x, all.h * motion.y),
                      0, 0);
  if (presence <= 0 && together) style += "visibility:hidden;";
  if (motion.form == ScreenMotionForm::Fade) style += cssOpacity(together ? presence : 1);
  // In the order of reading first what has it, then the rest as it is painted.
  std::vector<size_t> order;
  std::vector<bool> taken(screen.items.size(), false);
  const auto take = [&](size_t item) {
    if (taken[item] || !layout.items[item].isSeen()) return;
    taken[item] = true;
    order.push_back(item);
  };
  for (const int box : readingOrder(run.routes)) take(size_t(run.routes.items[size_t(box)]));
  for (size_t i = 0; i < screen.items.size(); ++i) take(i);
  std::string keys;
  const auto tell = [&](const std::string& key, Told now) {
    keys += (keys.empty() ? "\"" : ",\"") + key + "\"";
    const auto before = told_.find(key);
    const Told* was = before == told_.end() ? nullptr : &before->second;
    if (!was || !was->saysTheSame(now)) {
      (items += items.empty() ? "\"" : ",\"") += key;
      items += "\":";
      addJson(items, now, was);
    }
    next_[key] = std::move(now);
  };
  for (const size_t index : order) {
    At at{session,
          run,
          index,
          *screen.items[index],
          layout.items[index],
          run.routes.boxOf[index],
          fmt::format("{}-{}", run.number, index)};
    Stamp stamp = stampOf(at);
    if (const auto before = told_.find(at.key);
        before != told_.end() && !stamp.moves && before->second.stamp == stamp) {
      keys += (keys.empty() ? "\"" : ",\"") + at.key + "\"";
      next_[at.key] = std::move(before->second);
      continue;
    }
    if (auto now = item(at)) {
      now->stamp = std::move(stamp);
      tell(at.key, std::move(*now));
    }
  }
  if (session.focusShown())
    for (const auto& [box, ring] : run.rings())
      tell(fmt::format("{}-ring-{}", run.number, cssNumber(box.x + box.y)),
           {fmt::format("\"z\":{},\"sort\":\"ring\",\"style\":\"{}border:{} solid "
                        "{};border-radius:{};\",\"art\":\"\"",
                        screen.items.size(),
                        cssBox({box.x - ring.width / 2, box.y - ring.width / 2, box.w + ring.width,
                                box.h + ring.width}),
                        cssPx(ring.width), toHex(ring.colour), cssPx(ring.radius + ring.width / 2)),
            {}});
  const bool veils = screen.dimBelow > 0 || screen.blurBelow > 0;
  return fmt::format(
      "{{\"n\":{},\"id\":{},\"name\":{},\"top\":{},\"style\":{},\"back\":{},\"veil\":{},\"order\":"
      "[{}]}}",
      run.number, jsonText(screen.id.text), jsonText(screen.name), top, jsonText(style),
      jsonText(cssImage(screen.backdrop, all)),
      veils ? fmt::format("{{\"dim\":{},\"blur\":{},\"at\":{}}}", cssNumber(screen.dimBelow),
                          cssNumber(screen.blurBelow), cssNumber(presence))
            : "null",
      keys);
}

Scene::Stamp Scene::stampOf(const At& at) {
  const Ms now = at.session.now();
  Stamp out;
  out.box = at.placed.box;
  if (at.placed.clip >= 0) out.clip = at.run.layout.clips[size_t(at.placed.clip)];
  out.scale = at.placed.scale;
  out.presence = at.box >= 0 ? at.run.life.presence(now, at.box) : at.run.life.presence(now);
  out.modality = int(at.session.modality());
  out.language = at.run.layout.language;
  if (at.box < 0) return out;
  const ButtonRun& button = at.run.buttons[size_t(at.box)];
  out.hit = at.run.routes.input.boxes[size_t(at.box)];
  out.state = int(button.player.state());
  out.moves = button.player.moving(now);
  out.words = stateWords(at.run, size_t(at.box), at.session);
  return out;
}

void Scene::addJson(std::string& out, const Told& now, const Told* before) {
  (out += '{') += now.head;
  out += ",\"parts\":[";
  for (size_t i = 0; i < now.parts.size(); ++i) {
    const bool same = before && i < before->parts.size() && before->parts[i] == now.parts[i];
    if (i > 0) out += ',';
    if (same)
      out += '0';
    else
      out += now.parts[i];
  }
  out += "]}";
}

std::optional<Scene::Told> Scene::item(const At& at) {
  const Placed& placed = at.placed;
  const Box own = placed.own();
  std::string style = cssBox({placed.box.x, placed.box.y, own.w, own.h});
  if (placed.clip >= 0) {
    const Box clip = at.run.layout.clips[size_t(placed.clip)];
    if (clip.w <= 0 || clip.h <= 0) return std::nullopt;
    const double s = placed.scale;
    style += fmt::format("clip-path:inset({} {} {} {});", cssPx((clip.y - placed.box.y) / s),
                         cssPx((placed.box.x + placed.box.w - clip.x - clip.w) / s),
                         cssPx((placed.box.y + placed.box.h - clip.y - clip.h) / s),
                         cssPx((clip.x - placed.box.x) / s));
  }
  // By how much of it is there, where buttons follow one another.
  const ScreenMotion& motion = at.run.life.motion();
  Affine moved;
  if (motion.follow > 0) {
    const double presence = at.box >= 0 ? at.run.life.presence(at.session.now(), at.box)
                                        : at.run.life.presence(at.session.now());
    if (motion.form == ScreenMotionForm::Fade) style += cssOpacity(presence);
    moved = motionAt(motion, presence, {at.run.layout.width, at.run.layout.height},
                     at.run.layout.rightToLeft, placed.box.x + placed.box.w / 2,
                     placed.box.y + placed.box.h / 2);
  }
  if (placed.scale != 1) {
    const double s = placed.scale;
    moved.a *= s, moved.b *= s, moved.c *= s, moved.d *= s;
    moved.e += (1 - s) * placed.box.x, moved.f += (1 - s) * placed.box.y;
  }
  style += cssMotion(moved, placed.box.x, placed.box.y);
  auto out = at.item.button() ? button(at) : decor(at);
  if (out)
    out->head = fmt::format("\"id\":{},\"z\":{},\"style\":{},{}", jsonText(at.item.id.text),
                            at.index, jsonText(style), out->head);
  return out;
}

std::optional<Scene::Told> Scene::decor(const At& at) {
  const Box own = at.placed.own(), box{0, 0, own.w, own.h};
  if (const auto* panel = std::get_if<PanelData>(&at.item.what))
    return Told{
        fmt::format("\"sort\":\"panel\",\"art\":{}",
                    jsonText(fmt::format("background:{};border-radius:{};{}",
                                         cssImage(panel->fill, box), cssPx(panel->radius),
                                         panel->blur > 0 ? fmt::format("backdrop-filter:blur({});",
                                                                       cssPx(panel->blur))
                                                         : std::string()))),
        {}};
  const auto* picture = std::get_if<PictureData>(&at.item.what);
  if (!picture) return std::nullopt;
  static constexpr const char* kFits[] = {"cover", "contain", "whole"};
  const std::string file = "alone " + picture->file;
  const std::string html = pictureHtml(pictures_, box,
                                       {.file = file,
                                        .fit = kFits[static_cast<size_t>(picture->fit)],
                                        .focusX = picture->focusX,
                                        .focusY = picture->focusY,
                                        .turned = picture->turns && at.run.layout.rightToLeft});
  return Told{"\"sort\":\"picture\",\"art\":\"\"", {htmlJson({}, html)}};
}

std::optional<Scene::Told> Scene::button(const At& at) {
  const ButtonData& data = *at.item.button();
  const Project& project = at.session.project();
  const LanguageId& language = at.run.layout.language;
  const std::string& said = wordsIn(project, data.accessibleName, language);
  const std::string& words = wordsIn(project, data.caption, language);
  const std::string named =
      fmt::format("\"name\":{},\"about\":{}", jsonText(said.empty() ? words : said),
                  jsonText(wordsIn(project, data.description, language)));
  if (at.box < 0) {
    const auto still = at.run.still.find(at.index);
    if (still == at.run.still.end()) return std::nullopt;
    Told out{"\"sort\":\"still\"," + named, {}};
    addParts(out, at, *find(project, data.kind), still->second->state(0), 0);
    return out;
  }
  ButtonRun& run = at.run.buttons[size_t(at.box)];
  const Look& look = run.player.at(at.session.now());
  const Box hit = at.run.routes.input.boxes[size_t(at.box)];
  Told out{fmt::format("\"sort\":\"button\",\"fly\":{},{}{},\"hit\":[{},{},{},{}]",
                       at.placed.flyOut >= 0, named, stateWords(at.run, size_t(at.box), at.session),
                       cssNumber(hit.x), cssNumber(hit.y), cssNumber(hit.w), cssNumber(hit.h)),
           {}};
  addParts(out, at, *run.kind->kind, look, run.player.since(at.session.now()));
  return out;
}

void Scene::addParts(Told& out, const At& at, const Kind& kind, const Look& look, Ms since) {
  const Box own = at.placed.own(), box{0, 0, own.w, own.h};
  const ButtonData& data = *at.item.button();
  const Project& project = at.session.project();
  const std::string& words = wordsIn(project, data.caption, at.run.layout.language);
  std::optional<std::string> sign;
  if (data.prompt) {
    const auto shown = promptSign(project, at.run.screen, *data.prompt, at.session.modality());
    sign = shown ? "sign " + toText(*shown) : std::string();
  }
  const auto before = told_.find(at.key);
  const Told* was = before == told_.end() ? nullptr : &before->second;
  out.look = look;
  out.captionColour = captionColour(kind, look);
  out.setting = fmt::format("{} {} {} {}\n{}", own.w, own.h, at.run.layout.rightToLeft,
                            sign.value_or("none"), words);
  const bool like = was && was->setting == out.setting && was->look.size() == look.size();
  // Pictures may go on by themselves, and icons have the caption's colour.
  const auto isAsBefore = [&](const PartValues& values, size_t number, size_t first) {
    if (!like || number >= was->parts.size() || values.type() == PartType::Picture) return false;
    if (values.type() == PartType::Icon && was->captionColour != out.captionColour) return false;
    const size_t count = propertiesOf(values.type()).size();
    return std::equal(look.begin() + std::ptrdiff_t(first),
                      look.begin() + std::ptrdiff_t(first + count),
                      was->look.begin() + std::ptrdiff_t(first));
  };
  size_t number = 0, first = 0;
  const PartValues whole = eachPart(
      kind.parts, look.data(),
      [&](const Part&, const PartValues& values) {
        const size_t begins = std::exchange(first, first + propertiesOf(values.type()).size());
        if (isAsBefore(values, number, begins)) {
          out.parts.push_back(was->parts[number++]);
          return;
        }
        const std::string id = fmt::format("p{}-{}", at.key, number++);
        const auto markup = markupOf(
            values, box, {pictures_, id, words, out.captionColour, since, sign ? &*sign : nullptr});
        if (!markup)
          out.parts.push_back("null");
        else if (markup->caption)
          out.parts.push_back(fmt::format("{{\"s\":{},\"t\":{}}}", jsonText(markup->style),
                                          captionJson(*markup->caption)));
        else
          out.parts.push_back(htmlJson(markup->style, markup->html));
      },
      at.run.layout.rightToLeft);
  const std::string art =
      cssMotion(wholeMotion(whole, box), 0, 0) + cssOpacity(whole.number(Prop::Opacity));
  out.head += ",\"art\":" + jsonText(art);
}

}  // namespace bristle

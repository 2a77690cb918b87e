#include "deliver/drawn.h"

#include <QCryptographicHash>
#include <cmath>
#include <map>
#include <set>

#include "deliver/pictures.h"
#include "deliver/stretch.h"
#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/screen_painter.h"
#include "paint/screen_parts.h"
#include "runtime/machine/easing.h"

namespace bristle {
namespace {

constexpr int kLongestStrip = 240;  // frames: springs that hardly rest are cut there
constexpr int kStripAcross = 2048;  // px: rows of frames are no longer

// Of the whole, in all states alike.
double numberIn(const LookTable& table, Prop prop) {
  return std::get<double>(table.base()[size_t(table.channel({{}, prop}))]);
}

// Until all has come to where it goes, ms.
double lengthOf(const Pace& pace) {
  double out = double(pace.all.delay) + runTime(pace.all);
  for (const PropTiming& own : pace.own)
    out = std::max(out, double(own.timing.delay) + runTime(own.timing));
  return out;
}

// How a button is drawn alone.
struct Alone {
  const Kind& kind;
  std::shared_ptr<const LookTable> table;
  Size box;      // as it is written
  double scale;  // px of the picture to a px of that
  std::string caption;
  double reach() const { return LookPainter::reach(kind, *table); }
};

class Drawing {
 public:
  Drawing(const Project& project, LookPainter& looks, const PictureWishes& wishes,
          const MadeProgress& progress)
      : project_(project), looks_(looks), wishes_(wishes), progress_(progress) {
    for (const auto& kind : project.kinds)
      if (const Machine* machine = find(project, kind->machine))
        total_ += int(statesSeen(*kind, *machine));
    std::vector<std::string> taken;
    for (const Language& language : project.languages)
      languageNames_[language.id] = safeFileName(language.tag, taken);
    if (wishes.placed)
      for (const auto& screen : project.screens) total_ += int(screen->items.size());
  }

  Result<std::vector<Drawn>> all() {
    looks_.pictures().takeProblems();
    for (const auto& kind : project_.kinds) ofKind(*kind);
    if (wishes_.placed)
      for (const auto& screen : project_.screens) ofScreen(*screen);
    if (wrong_) return tl::unexpected(std::move(*wrong_));
    if (auto missing = missingIn(looks_.pictures().takeProblems());
        missing && !wishes_.allowMissing)
      return tl::unexpected(std::move(*missing));
    return std::move(out_);
  }

 private:
  void ofKind(const Kind& kind) {
    if (wrong_) return;
    const Machine* machine = find(project_, kind.machine);
    const auto table = tables_.get(project_, kind.id);
    if (!machine || !table) {
      wrong_ = Error{"kind “" + kind.name + "”", "its machine is not there"};
      return;
    }
    const std::string base = safeFileName(kind.name, baseNames_);
    const Alone alone{kind,
                      table,
                      {kind.width, kind.height},
                      wishes_.scale,
                      wishes_.captions ? kind.sampleCaption : std::string()};
    std::vector<std::string> states;
    for (size_t s = 0; s < statesSeen(kind, *machine) && !wrong_; ++s) {
      const std::string name = safeFileName(machine->states[s].name, states);
      add(drawn(alone, *machine, StateIndex(s)), base + "." + name);
      goOn();
    }
    if (wishes_.frames > 0 && !kind.still) strips(alone, *machine, base, states);
  }

  void goOn() {
    if (progress_ && !progress_(std::min(++done_, total_), total_) && !wrong_)
      wrong_ = Error{project_.name, "stopped; nothing was written"};
  }

  void add(std::optional<Drawn> drawn, std::string name) {
    if (!drawn || wrong_) return;
    drawn->name = std::move(name);
    out_.push_back(std::move(*drawn));
  }

  std::optional<QImage> canvas(const Alone& a) {
    const double around = 2 * a.reach();
    auto image = canvasOf(QSizeF(a.box.w + around, a.box.h + around) * a.scale,
                          "kind “" + a.kind.name + "”");
    if (image) return std::move(*image);
    if (!wrong_) wrong_ = image.error();
    return {};
  }

  void paint(QImage& image, const Alone& a, const Look& look, Ms since) {
    QPainter painter(&image);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.scale(a.scale, a.scale);
    const double reach = a.reach();
    looks_.paint(painter, a.kind, *a.table, look, QRectF(reach, reach, a.box.w, a.box.h), a.caption,
                 since);
  }

  Drawn framed(const Alone& a, const Machine& machine, StateIndex state, QImage image) {
    Drawn out;
    out.kind = &a.kind;
    out.state = &machine.states[state];
    out.pivotX = numberIn(*a.table, Prop::PivotX);
    out.pivotY = numberIn(*a.table, Prop::PivotY);
    out.reach = a.reach() * a.scale;
    out.w = a.box.w * a.scale, out.h = a.box.h * a.scale;
    keep(out, std::move(image));
    return out;
  }

  void keep(Drawn& out, QImage image) const {
    out.whole = image.size();
    out.rect = wishes_.trim ? contentOf(image) : image.rect();
    out.at = out.rect.topLeft();
    out.image = std::move(image);
  }

  std::optional<Drawn> drawn(const Alone& a, const Machine& machine, StateIndex state) {
    auto image = canvas(a);
    if (!image) return {};
    paint(*image, a, a.table->state(state), 0);
    Drawn out = framed(a, machine, state, std::move(*image));
    out.slices = slicesOf(out.image, out.rect);
    return out;
  }

  // Each change that the machine makes and that takes time, once.
  void strips(const Alone& a, const Machine& machine, const std::string& base,
              const std::vector<std::string>& names) {
    Symbols symbols;
    for (const ProjectValue& value : project_.values) symbols.values.push_back(value.id);
    const auto program = Program::compile(machine, symbols, naming(project_));
    if (!program) return;
    std::set<std::pair<size_t, size_t>> known;
    std::vector<std::string> taken = names;  // a state may be called like a change
    for (size_t from = 0; from < machine.states.size(); ++from)
      for (size_t i = 0; i < program->transitionCount(); ++i) {
        const ProgramTransition& t = program->transition(std::uint16_t(i));
        const auto& its = machine.transitions[t.source].from;
        if (t.to == from || (its && *its != machine.states[from].id)) continue;
        if (!known.insert({from, t.to}).second || wrong_) continue;
        add(strip(a, machine, StateIndex(from), t.to, t.pace),
            base + "." + safeFileName(names[from] + " to " + names[t.to], taken));
      }
  }

  std::optional<Drawn> strip(const Alone& a, const Machine& machine, StateIndex from, StateIndex to,
                             const Pace& pace) {
    const double every = 1000.0 / wishes_.frames;
    // Not until nothing moves: in the state that it comes to something may move without end.
    const double length = lengthOf(pace);
    if (length <= 0 || a.table->state(from) == a.table->state(to)) return {};
    LookPlayer player(a.table, from);
    player.go(to, pace, 0);
    std::vector<QImage> frames;
    const int last = std::min(int(std::ceil(length / every)), kLongestStrip - 1);
    for (int i = 0; i <= last; ++i) {
      const Ms at = Ms(std::min(i * every, std::ceil(length)) + 0.5);
      auto image = canvas(a);
      if (!image) return {};
      paint(*image, a, player.at(at), at);
      frames.push_back(std::move(*image));
    }
    QRect kept = frames.front().rect();
    if (wishes_.trim) {
      kept = {};
      for (const QImage& frame : frames) kept |= contentOf(frame);
    }
    StripOf is{machine.states[from].id, int(frames.size()), 0, kept.width(), kept.height(), every};
    is.across = std::clamp(kStripAcross / kept.width(), 1, is.frames);
    const int down = (is.frames + is.across - 1) / is.across;
    auto all = canvasOf(QSizeF(is.across * kept.width(), down * kept.height()),
                        "kind “" + a.kind.name + "”");
    if (!all) {
      if (!wrong_) wrong_ = all.error();
      return {};
    }
    QPainter painter(&*all);
    painter.setCompositionMode(QPainter::CompositionMode_Source);
    for (int i = 0; i < is.frames; ++i)
      painter.drawImage(QPoint(i % is.across * kept.width(), i / is.across * kept.height()),
                        frames[size_t(i)], kept);
    painter.end();
    Drawn out = framed(a, machine, to, frames.front());
    out.image = std::move(*all);
    out.rect = out.image.rect();
    out.strip = is;
    out.at = kept.topLeft();
    return out;
  }

  void ofScreen(const Screen& screen) {
    const std::string base = safeFileName(screen.name, baseNames_) + ".";
    std::vector<std::string> names;
    std::vector<Layout> layouts;
    for (const Language& language : project_.languages)
      layouts.push_back(
          layOut(project_, screen, {project_.displays.front(), language.id}, measure_));
    for (size_t i = 0; i < screen.items.size() && !wrong_; ++i) {
      const Item& item = *screen.items[i];
      const std::string name = base + safeFileName(displayName(item), names);
      for (size_t l = 0; l < layouts.size(); ++l) {
        const Reading reading(looks_, layouts[l].rightToLeft);
        const PlacedUse use{screen.id, item.id, project_.languages[l].id};
        if (const ButtonData* button = item.button())
          ofButton(screen, *button, layouts[l].items[i], use, name);
        else if (!item.container() && l == 0)
          ofDecor(item, layouts[l].items[i], {screen.id, item.id, {}}, name);
      }
      goOn();
    }
  }

  void ofButton(const Screen& screen, const ButtonData& button, const Placed& at,
                const PlacedUse& use, const std::string& name) {
    const Kind* kind = find(project_, button.kind);
    const Machine* machine = kind ? find(project_, kind->machine) : nullptr;
    const auto table = tables_.get(project_, button.kind, &button.own);
    if (!machine || !table || at.box.w <= 0 || at.box.h <= 0) return;
    const Prompting prompting(looks_, project_, screen, button, Device::Keyboard);
    const Box own = at.own();
    const Alone alone{*kind,
                      table,
                      {own.w, own.h},
                      wishes_.scale * at.scale,
                      wordsIn(project_, button.caption, use.language)};
    std::vector<std::string> states;
    for (size_t s = 0; s < statesSeen(*kind, *machine) && !wrong_; ++s)
      share(drawn(alone, *machine, StateIndex(s)), use,
            name + "." + safeFileName(machine->states[s].name, states));
  }

  void ofDecor(const Item& item, const Placed& at, const PlacedUse& use, const std::string& name) {
    const Box own = at.own();
    if (own.w <= 0 || own.h <= 0) return;
    const double scale = wishes_.scale * at.scale;
    auto image = canvasOf(QSizeF(own.w, own.h) * scale, displayName(item));
    if (!image) {
      wrong_ = image.error();
      return;
    }
    QPainter painter(&*image);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.scale(scale, scale);
    paintDecor(painter, looks_, item, QRectF(0, 0, own.w, own.h));
    painter.end();
    Drawn out;
    out.w = own.w * scale, out.h = own.h * scale;
    keep(out, std::move(*image));
    out.slices = slicesOf(out.image, out.rect);
    share(std::move(out), use, name);
  }

  // What looks the same is kept once, wherever it stands.
  void share(std::optional<Drawn> drawn, const PlacedUse& use, std::string name) {
    if (!drawn || wrong_) return;
    QCryptographicHash hash(QCryptographicHash::Sha1);
    hash.addData(QByteArrayView(drawn->image.constBits(), drawn->image.sizeInBytes()));
    const auto key = std::tuple(std::tuple(drawn->image.width(), drawn->w, drawn->h, drawn->reach),
                                drawn->kind, drawn->state, hash.result().toStdString());
    const auto [at, first] = shared_.try_emplace(key, out_.size());
    if (first) {
      const bool inFirst = !use.language || use.language == project_.languages.front().id;
      if (!inFirst) name += "." + languageNames_.at(use.language);
      add(std::move(drawn), std::move(name));
    }
    out_[at->second].placed.push_back(use);
  }

  const Project& project_;
  LookPainter& looks_;
  const PictureWishes& wishes_;
  const MadeProgress& progress_;
  LookTables tables_;
  const FontMeasure measure_;
  int total_ = 0, done_ = 0;
  std::optional<Error> wrong_;
  std::vector<std::string> baseNames_;  // of kinds and screens
  std::map<LanguageId, std::string> languageNames_;
  using Size4 = std::tuple<int, double, double, double>;
  std::map<std::tuple<Size4, const Kind*, const State*, std::string>, size_t> shared_;
  std::vector<Drawn> out_;
};

}  // namespace

Result<std::vector<Drawn>> drawAll(const Project& project, LookPainter& looks,
                                   const PictureWishes& wishes, const MadeProgress& progress) {
  return Drawing(project, looks, wishes, progress).all();
}

}  // namespace bristle

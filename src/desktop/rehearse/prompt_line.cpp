#include "desktop/rehearse/prompt_line.h"

#include <QPainter>
#include <algorithm>

#include "desktop/work/theme.h"
#include "paint/convert.h"
#include "paint/signs.h"
#include "runtime/session/prompts.h"
#include "runtime/session/session.h"

namespace bristle {
namespace {

constexpr double kSign = 22, kGap = 6, kApart = 20, kEdge = 16;

template <class Holds>
bool anyItem(const Screen& screen, Holds holds) {
  return std::any_of(screen.items.begin(), screen.items.end(),
                     [&](const auto& item) { return holds(*item); });
}

}  // namespace

PromptLine::PromptLine(QWidget* parent) : QWidget(parent) {
  setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
}

void PromptLine::refresh(const Session& session) {
  entries_.clear();
  const Project& project = session.project();
  pad_ = project.settings.padSigns;
  const Screen& screen = *session.stack().back().screen;
  const auto add = [&](std::initializer_list<Prompt> prompts, const QString& words) {
    Entry entry{{}, words};
    for (const Prompt& prompt : prompts)
      if (const auto sign = promptSign(project, &screen, prompt, session.modality()))
        entry.signs.push_back(*sign);
    if (!entry.signs.empty()) entries_.push_back(std::move(entry));
  };
  if (session.modality() == Device::Touch) {
    entries_.push_back({{}, tr("Tap: use")});
  } else {
    if (session.modality() == Device::Mouse) entries_.push_back({{}, tr("Click: use")});
    add({{Does::Accept}}, tr("use"));
    add({{Does::Cancel}}, tr("back"));
    if (anyItem(screen,
                [](const Item& i) { return i.container() && i.container()->tabs != Tabs::No; }))
      add({{Does::TabLeft}, {Does::TabRight}}, tr("tabs"));
    for (const Shortcut& each : project.shortcuts)
      if (!each.actions.empty() || anyItem(screen, [&](const Item& i) {
            return i.button() && i.button()->answers.shortcut == each.id;
          }))
        add({{Does::Shortcut, each.id}}, toQt(each.name));
  }
  QStringList words;
  for (const Entry& entry : entries_) {
    QStringList signs;
    for (const Sign& sign : entry.signs) signs << toQt(toText(sign));
    words << (signs.isEmpty() ? entry.words
                              : tr("%1: %2").arg(signs.join(QStringLiteral(", ")), entry.words));
  }
  setAccessibleName(words.join(QStringLiteral("; ")));
  update();
}

void PromptLine::paintEvent(QPaintEvent*) {
  QPainter p(this);
  const Theme& theme = themeOf(this);
  p.fillRect(rect(), theme.work);
  p.setPen(theme.onWork);
  double x = kEdge;
  const double top = (height() - kSign) / 2;
  for (const Entry& entry : entries_) {
    for (const Sign& sign : entry.signs) {
      paintSign(p, QRectF(x, top, kSign, kSign), sign, pad_, theme.onWork);
      x += kSign + kGap;
    }
    const double wide = p.fontMetrics().horizontalAdvance(entry.words);
    if (x + wide > width()) return;
    p.drawText(QRectF(x, 0, wide + 2, height()), Qt::AlignVCenter, entry.words);
    x += wide + kApart;
  }
}

}  // namespace bristle

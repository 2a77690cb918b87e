#include "desktop/rehearse/pad.h"

#include <QGridLayout>
#include <QToolButton>

#include "desktop/rehearse/rehearsal.h"

namespace bristle {
namespace {
constexpr int kUnit = 1000;  // beside the controllers that are plugged in
}

Pad::Pad(Rehearsal& rehearsal, QWidget* parent) : QWidget(parent), rehearsal_(rehearsal) {
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(16, 8, 16, 8);
  grid->setSpacing(4);
  grid->addWidget(button(tr("L"), "left shoulder"), 0, 0);
  grid->addWidget(key(QStringLiteral("▲"), tr("Controller up"), Dir::Up), 0, 1);
  grid->addWidget(key(QStringLiteral("◀"), tr("Controller left"), Dir::Left), 1, 0);
  grid->addWidget(key(QStringLiteral("▶"), tr("Controller right"), Dir::Right), 1, 2);
  grid->addWidget(key(QStringLiteral("▼"), tr("Controller down"), Dir::Down), 2, 1);
  grid->addWidget(button(tr("Start"), "start"), 1, 3);
  grid->addWidget(button(tr("Upper"), "upper button"), 0, 5);
  grid->addWidget(button(tr("R"), "right shoulder"), 0, 6);
  grid->addWidget(button(tr("Left"), "left button"), 1, 4);
  grid->addWidget(button(tr("Right"), "right button"), 1, 6);
  grid->addWidget(button(tr("Lower"), "lower button"), 2, 5);
  grid->setColumnStretch(7, 1);
}

QToolButton* Pad::knob(const QString& text, const QString& name, std::function<void(bool)> send) {
  auto* out = new QToolButton;
  out->setText(text);
  out->setAccessibleName(name);
  out->setToolTip(name);
  out->setFocusPolicy(Qt::StrongFocus);
  out->setMinimumSize(36, 30);
  connect(out, &QToolButton::pressed, this, [send] { send(true); });
  connect(out, &QToolButton::released, this, [send] { send(false); });
  return out;
}

QToolButton* Pad::key(const QString& text, const QString& name, Dir dir) {
  return knob(text, name, [this, dir](bool down) {
    InputEvent e;
    e.type = InputType::Move;
    e.device = Device::Controller;
    e.dir = dir;
    e.down = down;
    e.unit = kUnit;
    rehearsal_.send(e);
  });
}

// By its place: what it does is bound.
QToolButton* Pad::button(const QString& text, const char* place) {
  QToolButton* out = knob(text, tr("Controller %1").arg(QLatin1String(place)),
                          [this, sign = *parseSign(Sign::Of::Button, place)](bool down) {
                            rehearsal_.press(sign, down, kUnit);
                          });
  out->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);  // all as wide as the widest
  return out;
}

}  // namespace bristle

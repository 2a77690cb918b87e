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
  grid->addWidget(key(QStringLiteral("▲"), tr("Controller up"), InputType::Move, Dir::Up), 0, 1);
  grid->addWidget(key(QStringLiteral("◀"), tr("Controller left"), InputType::Move, Dir::Left), 1,
                  0);
  grid->addWidget(key(QStringLiteral("▶"), tr("Controller right"), InputType::Move, Dir::Right), 1,
                  2);
  grid->addWidget(key(QStringLiteral("▼"), tr("Controller down"), InputType::Move, Dir::Down), 2,
                  1);
  grid->setColumnMinimumWidth(3, 16);
  grid->addWidget(key(tr("Accept"), tr("Controller accept"), InputType::Accept, Dir::Up), 2, 4);
  grid->addWidget(key(tr("Back"), tr("Controller back"), InputType::Cancel, Dir::Up), 0, 4);
  grid->setColumnStretch(5, 1);
}

QToolButton* Pad::key(const QString& text, const QString& name, InputType type, Dir dir) {
  auto* button = new QToolButton;
  button->setText(text);
  button->setAccessibleName(name);
  button->setToolTip(name);
  button->setFocusPolicy(Qt::StrongFocus);
  button->setMinimumSize(36, 30);
  const auto send = [this, type, dir](bool down) {
    InputEvent e;
    e.type = type;
    e.device = Device::Controller;
    e.dir = dir;
    e.down = down;
    e.unit = kUnit;
    rehearsal_.send(e);
  };
  connect(button, &QToolButton::pressed, this, [send] { send(true); });
  connect(button, &QToolButton::released, this, [send] { send(false); });
  return button;
}

}  // namespace bristle

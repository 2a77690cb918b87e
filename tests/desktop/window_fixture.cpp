#include "desktop/window_fixture.h"

#include <QMessageBox>

namespace bristle::test {

void WindowTest::answer(const QString& text, QString* asked) {
  auto* timer = new QTimer(window.get());
  timer->setInterval(5);
  QObject::connect(timer, &QTimer::timeout, timer, [timer, text, asked] {
    auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
    if (!box) return;
    timer->stop();
    timer->deleteLater();
    if (asked) *asked = box->text() + QLatin1Char(' ') + box->informativeText();
    for (QAbstractButton* button : box->buttons())
      if (button->text().remove(QLatin1Char('&')).contains(text))
        return QTest::mouseClick(button, Qt::LeftButton);
    ADD_FAILURE() << "no answer " << text.toStdString();
    box->reject();
  });
  timer->start();
}

}  // namespace bristle::test

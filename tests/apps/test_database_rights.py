"""What the database's accounts may do, asked of the server that the tests run on."""

from __future__ import annotations

import os
import stat
from pathlib import Path

import MySQLdb  # type: ignore[import-untyped]
import pytest
from django.conf import settings
from django.db import OperationalError, connection

from muster.cli.launch.database_home import account

RUN = Path(settings.RUN_DIR)
pytestmark = pytest.mark.django_db


def ask(sql: str) -> list[tuple[object, ...]]:
    with connection.cursor() as cursor:
        cursor.execute(sql)
        return list(cursor.fetchall())


@pytest.mark.parametrize("name", ["root", "mysql", "", "mariadb.sys"])
def test_nobody_comes_in_over_the_network_without_a_password(name: str) -> None:
    values = settings.DATABASES["default"]
    with pytest.raises(MySQLdb.OperationalError, match=r"denied|locked"):
        MySQLdb.connect(host="127.0.0.1", port=int(values["PORT"]), user=name, password="")


def test_the_application_has_rights_on_its_own_database_alone() -> None:
    grants = [str(row[0]) for row in ask("SHOW GRANTS")]
    assert grants[0].startswith("GRANT USAGE ON *.*"), "no right that holds everywhere"
    on = {grant.partition(" ON ")[2].partition(".")[0].strip("`") for grant in grants[1:]}
    assert on <= {"crisp_muster", "test\\_crisp\\_muster%"}
    with pytest.raises(OperationalError, match="denied"):
        ask("SELECT User, Password FROM mysql.user")


def test_sql_neither_reads_files_nor_writes_them(tmp_path: Path) -> None:
    tmp_path.chmod(0o777)
    secret = tmp_path / "secret"
    secret.write_text("reeds")
    secret.chmod(0o644)
    assert ask(f"SELECT LOAD_FILE('{secret}')") == [(None,)]
    with pytest.raises(OperationalError):
        ask(f"SELECT 1 INTO OUTFILE '{tmp_path / 'out'}'")
    with pytest.raises(OperationalError):
        ask(f"LOAD DATA LOCAL INFILE '{secret}' INTO TABLE django_session")
    assert not (tmp_path / "out").exists()
    [(folder,)] = ask("SELECT @@secure_file_priv")
    where = Path(str(folder))
    assert list(where.iterdir()) == [] and not where.stat().st_mode & 0o222


def test_the_server_runs_as_nobody_who_matters_and_its_folder_is_closed() -> None:
    data = (RUN / "db").resolve()
    pid = int((data / "db.pid").read_text())
    owner = Path(f"/proc/{pid}").stat().st_uid
    assert owner == data.stat().st_uid
    assert account() is None or owner not in (0, os.geteuid())
    assert stat.S_IMODE(data.stat().st_mode) == 0o700
    assert not RUN.stat().st_mode & 0o066, "nobody else lists it or writes in it"
    assert stat.S_IMODE((RUN / "secrets.json").stat().st_mode) == 0o600
    for log in RUN.glob("*.log"):
        assert stat.S_IMODE(log.stat().st_mode) == 0o600

"""Recipes in and out over HTTP, the words for ingredients, and what is remembered of a drink."""

from http import HTTPStatus

TEXT = "Orchard Gate\n45 ml bourbon\n20 ml Hedge Witch cordial\n1 jigger lemon juice\nsimple syrup to taste\nPoured at the harvest supper."


def test_a_recipe_is_read_mended_begun_and_taken_along(client):
    read = client.post("/api/read", json={"text": TEXT}).json()
    assert [line["sure"] for line in read["lines"] if line["pour"] is not None] == [True, False, False]
    assert read["unknown"] == [1]
    jigger = next(line for line in read["lines"] if "jigger" in line["text"])
    assert jigger["amounts"] == ["30 ml", "60 ml"]
    mended = {
        "20 ml Hedge Witch cordial": {"slug": "elderflower-cordial"},
        "1 jigger lemon juice": {"amount": "22.5 ml"},
        "simple syrup to taste": {"amount": "barspoon"},
    }
    whole = client.post("/api/read", json={"text": TEXT, "mended": mended}).json()
    assert whole["unknown"] == []
    assert all(line["sure"] for line in whole["lines"])
    assert [(p["ingredient"], p["amount"], p["unit"]) for p in whole["spec"]["pours"]] == [
        ("corn-whiskey", 45, "ml"),
        ("elderflower-cordial", 20, "ml"),
        ("lemon-juice", 22.5, "ml"),
        ("simple-syrup-1-1", 1, "barspoon"),
    ]
    body = {"name": "Orchard Gate", "spec": whole["spec"], "trial_name": "As written", "notes": "\n".join(whole["notes"])}
    drink = client.post("/api/drinks", json=body).json()
    assert drink["notes"] == "Poured at the harvest supper."
    assert client.put(f"/api/drinks/{drink['id']}/notes", json={"notes": "Rather less cordial."}).json()["notes"] == "Rather less cordial."
    assert client.put("/api/drinks/999/notes", json={"notes": ""}).status_code == HTTPStatus.NOT_FOUND
    for wanted, ending in (("json", ".json"), ("csv", ".csv"), ("markdown", ".md"), ("jsonld", ".jsonld")):
        written = client.post("/api/write", json={"spec": whole["spec"], "wanted": wanted}).json()
        assert written["file_name"] == f"orchard-gate{ending}"
        assert client.post("/api/read", json={"text": written["text"]}).json()["spec"] == whole["spec"]


def test_what_holds_no_recipe_and_a_strange_choice_are_problems_in_words(client, golden):
    refused = client.post("/api/read", json={"text": "nothing of the kind"})
    assert refused.status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    golden(refused.json()["detail"])
    strange = client.post("/api/read", json={"text": "60 ml gin", "mended": {"60 ml gin": {"slug": "moon-gin"}}})
    assert "moon-gin" in strange.json()["detail"]


def test_words_find_ingredients_and_drinks_that_pour_them(client):
    told = client.get("/api/find", params={"q": "triple sec"}).json()
    assert told["found"][0] == {"slug": "orange-liqueur-sweet", "name": "Triple sec", "by": ""}
    assert client.get("/api/find", params={"q": "chickpea water"}).json()["found"][0]["by"] == "chickpea water"
    nothing = client.get("/api/find", params={"q": "somebody's rye"}).json()
    assert (nothing["found"], nothing["nearest"][0]["slug"]) == ([], "rye-whiskey")
    spec = client.post("/api/read", json={"text": "Foam\n60 ml pisco\n30 ml lemon juice\n20 ml syrup\n15 ml aquafaba"}).json()["spec"]
    drink = client.post("/api/drinks", json={"name": "Bean Row", "spec": spec, "trial_name": "As written"}).json()
    # By whatever word for it, also where the trial says none of it.
    assert drink["id"] in [each["id"] for each in client.get("/api/drinks", params={"q": "chickpea water"}).json()]

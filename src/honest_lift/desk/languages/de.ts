<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de_DE" sourcelanguage="en">
<context>
    <name></name>
    <message>
        <source>, for reading only</source>
        <translation>, nur zum Lesen</translation>
    </message>
    <message>
        <source>, moving</source>
        <translation>, in Bewegung</translation>
    </message>
    <message>
        <source>, not fitted</source>
        <translation>, nicht eingebaut</translation>
    </message>
    <message>
        <source>, valve {0}</source>
        <translation>, Ventil {0}</translation>
    </message>
    <message>
        <source>, which is there no more</source>
        <translation>, die nicht mehr da ist</translation>
    </message>
    <message>
        <source>. Every one of them is invented: no maker ever gave these figures.</source>
        <translation>. Jedes davon ist erfunden: kein Hersteller hat diese Werte je genannt.</translation>
    </message>
    <message>
        <source>1  stop, turned onto it one way</source>
        <translation>1  Anschlag, in der einen Richtung angefahren</translation>
    </message>
    <message>
        <source>2  stop, turned onto it the other way</source>
        <translation>2  Anschlag, in der anderen Richtung angefahren</translation>
    </message>
    <message>
        <source>2.5 6.1</source>
        <translation>2.5 6.1</translation>
    </message>
    <message>
        <source>3  at .050, or any lift, going up</source>
        <translation>3  bei .050 oder einem beliebigen Hub, steigend</translation>
    </message>
    <message>
        <source>4  at the same lift coming down</source>
        <translation>4  beim selben Hub fallend</translation>
    </message>
    <message>
        <source>5  centreline wanted</source>
        <translation>5  gewünschte Spreizung</translation>
    </message>
    <message>
        <source>6  key or dowel to shaft's centre</source>
        <translation>6  Keil oder Stift bis Wellenmitte</translation>
    </message>
    <message>
        <source>7  teeth of the cam's gear</source>
        <translation>7  Zähne des Nockenwellenrads</translation>
    </message>
    <message>
        <source>7.600 to 7.900 by .025</source>
        <translation>7.600 to 7.900 by .025</translation>
    </message>
    <message>
        <source>90 N·m or 66 lb ft</source>
        <translation>90 N·m or 66 lb ft</translation>
    </message>
    <message>
        <source>; another engine</source>
        <translation>; ein anderer Motor</translation>
    </message>
    <message>
        <source>A calculation ended by itself; it is being done again.</source>
        <translation>Eine Rechnung ist von selbst geendet; sie wird nochmals gemacht.</translation>
    </message>
    <message>
        <source>A case from a file…</source>
        <translation>Einen Fall aus einer Datei…</translation>
    </message>
    <message>
        <source>A fault of the program ({0}). What was just done may not be done; nothing that was confirmed is lost. Go on, and save. It is written down in {1}: please hand that file to whoever looks after this program.</source>
        <translation>Ein Fehler des Programms ({0}). Was eben getan wurde, ist vielleicht nicht getan; nichts Bestätigtes ist verloren. Weitermachen und speichern. Es steht in {1}: bitte diese Datei dem geben, der dieses Programm betreut.</translation>
    </message>
    <message>
        <source>a hardened one under every spring (aluminium)</source>
        <translation>eine gehärtete unter jeder Feder (Aluminium)</translation>
    </message>
    <message>
        <source>a hardened shim or cup under every spring</source>
        <translation>eine gehärtete Scheibe oder Schale unter jeder Feder</translation>
    </message>
    <message>
        <source>A job that another version of this program knows: everything is asked.</source>
        <translation>Eine Arbeit, die eine andere Fassung dieses Programms kennt: alles wird verlangt.</translation>
    </message>
    <message>
        <source>A lobe by the degree wheel</source>
        <translation>Ein Nocken mit der Gradscheibe</translation>
    </message>
    <message>
        <source>A measured lobe over its card's</source>
        <translation>Ein gemessener Nocken über dem seiner Karte</translation>
    </message>
    <message>
        <source>a note</source>
        <translation>eine Notiz</translation>
    </message>
    <message>
        <source>a picture, by where it lies</source>
        <translation>ein Bild, nach seinem Ort</translation>
    </message>
    <message>
        <source>A plan with loads {0} apart is found; Cancel takes it. Looking for a better one…</source>
        <translation>Ein Plan mit {0} Unterschied der Kräfte ist gefunden; Abbrechen nimmt ihn. Sucht nach einem besseren…</translation>
    </message>
    <message>
        <source>A practice case</source>
        <translation>Ein Übungsfall</translation>
    </message>
    <message>
        <source>a reading is struck out with its own reason: Measure, Strike out, or read it again</source>
        <translation>ein Messwert wird mit eigenem Grund gestrichen: Messen, Streichen, oder nochmals messen</translation>
    </message>
    <message>
        <source>a run: hours, or passes</source>
        <translation>ein Lauf: Stunden oder Rennen</translation>
    </message>
    <message>
        <source>A set is of a card: make the card first.</source>
        <translation>Ein Satz gehört zu einer Karte: zuerst die Karte anlegen.</translation>
    </message>
    <message>
        <source>A spring has one to three members: outer, inner, damper.</source>
        <translation>Eine Feder hat ein bis drei Glieder: äußere, innere, Dämpfer.</translation>
    </message>
    <message>
        <source>A spring keeps at least one member; choose the one to take out.</source>
        <translation>Eine Feder behält mindestens ein Glied; das wählen, das heraus soll.</translation>
    </message>
    <message>
        <source>A stand-in of the simulated bench is set up by the bench.</source>
        <translation>Einen Ersatz der simulierten Werkbank richtet die Werkbank ein.</translation>
    </message>
    <message>
        <source>A valve job with other springs, in millimetres: two roles, linear and progressive, numbered valves, shimmed lash.</source>
        <translation>Ventile überholt, mit anderen Federn, in Millimetern: zwei Arten, linear und progressiv, nummerierte Ventile, Spiel mit Scheiben.</translation>
    </message>
    <message>
        <source>&amp;About</source>
        <translation>&amp;Über</translation>
    </message>
    <message>
        <source>About</source>
        <translation>Über</translation>
    </message>
    <message>
        <source>acceleration</source>
        <translation>Beschleunigung</translation>
    </message>
    <message>
        <source>Accepted: nothing of it is proven before it is measured. F2 starts with that.</source>
        <translation>Übernommen: nichts davon ist bewiesen, bevor es gemessen ist. F2 beginnt damit.</translation>
    </message>
    <message>
        <source>Accepted: the heights are predicted until one reading a pocket confirms them.</source>
        <translation>Übernommen: die Höhen sind vorhergesagt, bis ein Messwert je Tasche sie bestätigt.</translation>
    </message>
    <message>
        <source>Accepted: what it moves is predicted until it is read again. F2 starts with that.</source>
        <translation>Übernommen: was es bewegt, ist vorhergesagt, bis es nochmals gemessen ist. F2 beginnt damit.</translation>
    </message>
    <message>
        <source>Add</source>
        <translation>Hinzufügen</translation>
    </message>
    <message>
        <source>Add a gauge</source>
        <translation>Ein Messgerät hinzufügen</translation>
    </message>
    <message>
        <source>Add a member</source>
        <translation>Ein Glied hinzufügen</translation>
    </message>
    <message>
        <source>Add a part</source>
        <translation>Ein Teil hinzufügen</translation>
    </message>
    <message>
        <source>Add a size</source>
        <translation>Eine Größe hinzufügen</translation>
    </message>
    <message>
        <source>Add this kind</source>
        <translation>Diese Art hinzufügen</translation>
    </message>
    <message>
        <source>Advance tried, half degrees of the crank</source>
        <translation>Probierte Verstellung, halbe Kurbelgrade</translation>
    </message>
    <message>
        <source>Against the stop the wheel shows {0:.1f}° one way, and {1:.1f}° the other.</source>
        <translation>Gegen den Anschlag zeigt die Gradscheibe {0:.1f}° in der einen und {1:.1f}° in der anderen Richtung.</translation>
    </message>
    <message>
        <source>all of these together</source>
        <translation>alles zusammen</translation>
    </message>
    <message>
        <source>&amp;All readings</source>
        <translation>&amp;Alle Messwerte</translation>
    </message>
    <message>
        <source>All readings</source>
        <translation>Alle Messwerte</translation>
    </message>
    <message>
        <source>all shelves</source>
        <translation>alle Regale</translation>
    </message>
    <message>
        <source>all together ±</source>
        <translation>alle zusammen ±</translation>
    </message>
    <message>
        <source>aluminium rods</source>
        <translation>Aluminiumpleuel</translation>
    </message>
    <message>
        <source>Amount of the chosen change</source>
        <translation>Betrag der gewählten Änderung</translation>
    </message>
    <message>
        <source>an engine without a name</source>
        <translation>ein Motor ohne Namen</translation>
    </message>
    <message>
        <source>an item of your own, after the chosen one's stage</source>
        <translation>ein eigener Punkt, nach der Stufe des gewählten</translation>
    </message>
    <message>
        <source>and {0} more</source>
        <translation>und {0} weitere</translation>
    </message>
    <message>
        <source>And {0} more.</source>
        <translation>Und {0} weitere.</translation>
    </message>
    <message>
        <source>angles in</source>
        <translation>Winkel in</translation>
    </message>
    <message>
        <source>another limit for</source>
        <translation>eine andere Grenze für</translation>
    </message>
    <message>
        <source>Another shelf was opened. Search again.</source>
        <translation>Ein anderes Regal wurde geöffnet. Nochmals suchen.</translation>
    </message>
    <message>
        <source>Another valve</source>
        <translation>Ein anderes Ventil</translation>
    </message>
    <message>
        <source>Apply to engine</source>
        <translation>Am Motor übernehmen</translation>
    </message>
    <message>
        <source>Archive</source>
        <translation>Weglegen</translation>
    </message>
    <message>
        <source>Around the turn</source>
        <translation>Über die Umdrehung</translation>
    </message>
    <message>
        <source>as it comes</source>
        <translation>wie es kommt</translation>
    </message>
    <message>
        <source>as measured</source>
        <translation>wie gemessen</translation>
    </message>
    <message>
        <source>as stated</source>
        <translation>wie angegeben</translation>
    </message>
    <message>
        <source>asked</source>
        <translation>verlangt</translation>
    </message>
    <message>
        <source>asked besides</source>
        <translation>zusätzlich verlangt</translation>
    </message>
    <message>
        <source>at</source>
        <translation>bei</translation>
    </message>
    <message>
        <source>at TDC</source>
        <translation>im OT</translation>
    </message>
    <message>
        <source>at the lifter</source>
        <translation>am Stößel</translation>
    </message>
    <message>
        <source>at the valve</source>
        <translation>am Ventil</translation>
    </message>
    <message>
        <source>at the valve, lash and all</source>
        <translation>am Ventil, mit Spiel</translation>
    </message>
    <message>
        <source> ATDC</source>
        <translation> n. OT</translation>
    </message>
    <message>
        <source>&amp;Back to the sheet</source>
        <translation>Zurück zum Blatt</translation>
    </message>
    <message>
        <source>Back to the sheet (Esc)</source>
        <translation>Zurück zum Blatt (Esc)</translation>
    </message>
    <message>
        <source>Bare hea&amp;d</source>
        <translation>Nackter Kop&amp;f</translation>
    </message>
    <message>
        <source>Bare head</source>
        <translation>Nackter Kopf</translation>
    </message>
    <message>
        <source>bare head</source>
        <translation>nackter Kopf</translation>
    </message>
    <message>
        <source>bare heads for somebody</source>
        <translation>nackte Köpfe für jemanden</translation>
    </message>
    <message>
        <source>Begin</source>
        <translation>Anfangen</translation>
    </message>
    <message>
        <source>Bench card</source>
        <translation>Werkbankkarte</translation>
    </message>
    <message>
        <source>best trade-offs only</source>
        <translation>nur beste Kompromisse</translation>
    </message>
    <message>
        <source>between ball centres</source>
        <translation>zwischen Kugelmitten</translation>
    </message>
    <message>
        <source>Blank &amp;grid for a pen…</source>
        <translation>Leeres &amp;Raster für den Stift…</translation>
    </message>
    <message>
        <source>Blank grid</source>
        <translation>Leeres Raster</translation>
    </message>
    <message>
        <source>Block</source>
        <translation>Block</translation>
    </message>
    <message>
        <source>Block…</source>
        <translation>Block…</translation>
    </message>
    <message>
        <source>Bolts of the head in the order they are pulled</source>
        <translation>Kopfschrauben in der Reihenfolge des Anziehens</translation>
    </message>
    <message>
        <source>Boo&amp;k</source>
        <translation>B&amp;uch</translation>
    </message>
    <message>
        <source>Book</source>
        <translation>Buch</translation>
    </message>
    <message>
        <source>Book of {0}</source>
        <translation>Buch von {0}</translation>
    </message>
    <message>
        <source>bore {0}</source>
        <translation>Bohrung {0}</translation>
    </message>
    <message>
        <source>both</source>
        <translation>beide</translation>
    </message>
    <message>
        <source> BTDC</source>
        <translation> v. OT</translation>
    </message>
    <message>
        <source>Bucket shims</source>
        <translation>Tassenscheiben</translation>
    </message>
    <message>
        <source>bucket shims in the drawer</source>
        <translation>Tassenscheiben in der Schublade</translation>
    </message>
    <message>
        <source>bucket shims that can be bought</source>
        <translation>Tassenscheiben, die man kaufen kann</translation>
    </message>
    <message>
        <source>Bucket shims valve by valve</source>
        <translation>Tassenscheiben Ventil für Ventil</translation>
    </message>
    <message>
        <source>Bucket, shim and lash of the current valve</source>
        <translation>Tasse, Scheibe und Spiel des gewählten Ventils</translation>
    </message>
    <message>
        <source>buckets have no arms: their shims are on the rocker sheet</source>
        <translation>Tassen haben keine Arme: ihre Scheiben stehen auf dem Blatt Kipphebel</translation>
    </message>
    <message>
        <source>Build s&amp;heet…</source>
        <translation>&amp;Prüfblatt…</translation>
    </message>
    <message>
        <source>Build sheet</source>
        <translation>Prüfblatt</translation>
    </message>
    <message>
        <source>by</source>
        <translation>um</translation>
    </message>
    <message>
        <source>By how much surge closes the coils over speed</source>
        <translation>Um wie viel das Schwingen die Windungen schließt, über der Drehzahl</translation>
    </message>
    <message>
        <source>by the job</source>
        <translation>nach der Arbeit</translation>
    </message>
    <message>
        <source>by the manual</source>
        <translation>nach dem Handbuch</translation>
    </message>
    <message>
        <source>by, or to</source>
        <translation>um, oder auf</translation>
    </message>
    <message>
        <source>Calculate</source>
        <translation>Rechnen</translation>
    </message>
    <message>
        <source>Calculate plan</source>
        <translation>Plan rechnen</translation>
    </message>
    <message>
        <source>Calculated for the mean of the chambers that may count; each way is a trial on a copy of the engine. A pair brings the squish (quench) to the centre of its window first. For a cut at an angle, type how far the chambers and the far rail lie.</source>
        <translation>Gerechnet für das Mittel der Brennräume, die zählen dürfen; jeder Weg ist ein Versuch an einer Kopie des Motors. Ein Paar bringt zuerst die Quetschkante in die Mitte ihres Fensters. Für einen schrägen Schnitt eintippen, wie weit die Brennräume und die ferne Kante liegen.</translation>
    </message>
    <message>
        <source>calculating…</source>
        <translation>rechnet…</translation>
    </message>
    <message>
        <source>Calibration of {0} by {1}:</source>
        <translation>Kalibrierung von {0} mit {1}:</translation>
    </message>
    <message>
        <source>Cam card</source>
        <translation>Nockenwellenkarte</translation>
    </message>
    <message>
        <source>cam card</source>
        <translation>Nockenwellenkarte</translation>
    </message>
    <message>
        <source>Cam cards</source>
        <translation>Nockenwellenkarten</translation>
    </message>
    <message>
        <source>cam change</source>
        <translation>andere Nockenwelle</translation>
    </message>
    <message>
        <source>cam degrees</source>
        <translation>Nockengrade</translation>
    </message>
    <message>
        <source>Cams of the shelf</source>
        <translation>Nockenwellen des Regals</translation>
    </message>
    <message>
        <source>&amp;Camshaft</source>
        <translation>&amp;Nockenwelle</translation>
    </message>
    <message>
        <source>Camshaft</source>
        <translation>Nockenwelle</translation>
    </message>
    <message>
        <source>Cancel</source>
        <translation>Abbrechen</translation>
    </message>
    <message>
        <source>cancelled</source>
        <translation>abgebrochen</translation>
    </message>
    <message>
        <source>Candidates</source>
        <translation>Kandidaten</translation>
    </message>
    <message>
        <source>Card</source>
        <translation>Karte</translation>
    </message>
    <message>
        <source>card: {0}</source>
        <translation>Karte: {0}</translation>
    </message>
    <message>
        <source>cards against pockets as measured; a card never proves anything</source>
        <translation>Karten gegen gemessene Taschen; eine Karte beweist nie etwas</translation>
    </message>
    <message>
        <source>Cases (*.json)</source>
        <translation>Fälle (*.json)</translation>
    </message>
    <message>
        <source>Cases of the course</source>
        <translation>Fälle des Lehrgangs</translation>
    </message>
    <message>
        <source>&amp;Cautions</source>
        <translation>&amp;Warnungen</translation>
    </message>
    <message>
        <source>Cautions</source>
        <translation>Warnungen</translation>
    </message>
    <message>
        <source>certified loads, as in 88 at 1.870; 295 at 1.330</source>
        <translation>bescheinigte Kräfte, etwa 88 at 1.870; 295 at 1.330</translation>
    </message>
    <message>
        <source>Cham&amp;bers and compression</source>
        <translation>Brenn&amp;räume und Verdichtung</translation>
    </message>
    <message>
        <source>Chambers</source>
        <translation>Brennräume</translation>
    </message>
    <message>
        <source>Chambers of every cylinder</source>
        <translation>Brennräume aller Zylinder</translation>
    </message>
    <message>
        <source>chambers over the smallest, {0}</source>
        <translation>Brennräume über dem kleinsten, {0}</translation>
    </message>
    <message>
        <source>Changed</source>
        <translation>Geändert</translation>
    </message>
    <message>
        <source>Changed at {0}</source>
        <translation>Geändert an {0}</translation>
    </message>
    <message>
        <source>Changes of this trial</source>
        <translation>Änderungen dieses Versuchs</translation>
    </message>
    <message>
        <source>check</source>
        <translation>Prüfung</translation>
    </message>
    <message>
        <source>check lift</source>
        <translation>Prüfhub</translation>
    </message>
    <message>
        <source>check to limit</source>
        <translation>Prüfung, die begrenzt wird</translation>
    </message>
    <message>
        <source>check-up</source>
        <translation>Durchsicht</translation>
    </message>
    <message>
        <source>checking pushrod</source>
        <translation>Prüfstößelstange</translation>
    </message>
    <message>
        <source>checking pushrod:</source>
        <translation>Prüfstößelstange:</translation>
    </message>
    <message>
        <source>Checking spring in, cam near full lift, lash and slack taken up, indicator on the retainer zeroed. Load the tip and read what the valve gives way, at two loads and more. Without a lever: read the lift under a checking spring, then under the real one; write 0 at the checking spring's load, and what is lost at the real one's. One valve of a role speaks for the others within a few percent.</source>
        <translation>Prüffeder eingebaut, Nocken nahe vollem Hub, Spiel weggenommen, Messuhr auf dem Teller genullt. Das Ventilende belasten und lesen, wie weit das Ventil nachgibt, bei zwei Lasten und mehr. Ohne Hebel: den Hub unter einer Prüffeder lesen, dann unter der echten; 0 bei der Last der Prüffeder eintragen, und was bei der echten verloren ging. Ein Ventil einer Art spricht auf wenige Prozent für die anderen.</translation>
    </message>
    <message>
        <source>checking springs</source>
        <translation>Prüffedern</translation>
    </message>
    <message>
        <source>Checks of the job</source>
        <translation>Prüfungen der Arbeit</translation>
    </message>
    <message>
        <source>Checks that do not belong to this engine's gear are not listed.</source>
        <translation>Prüfungen, die nicht zum Ventiltrieb dieses Motors gehören, stehen nicht hier.</translation>
    </message>
    <message>
        <source>Choose a change, where and by how much: everything that moves with it is listed here, and the engine stays as it is until the trial is accepted.</source>
        <translation>Eine Änderung wählen, wo und um wie viel: alles, was sich mitbewegt, steht hier, und der Motor bleibt, wie er ist, bis der Versuch übernommen wird.</translation>
    </message>
    <message>
        <source>Choose a finding that fails or is unproven first: what passes needs no signature.</source>
        <translation>Zuerst einen Befund wählen, der durchfällt oder nicht bewiesen ist: was besteht, braucht keine Unterschrift.</translation>
    </message>
    <message>
        <source>Choose a line that has a reading.</source>
        <translation>Eine Zeile mit Messwert wählen.</translation>
    </message>
    <message>
        <source>Choose a valve in the list first.</source>
        <translation>Zuerst ein Ventil in der Liste wählen.</translation>
    </message>
    <message>
        <source>Choose a way that can be gone.</source>
        <translation>Einen Weg wählen, der gangbar ist.</translation>
    </message>
    <message>
        <source>Choose the gauge in the table first.</source>
        <translation>Zuerst das Messgerät in der Tabelle wählen.</translation>
    </message>
    <message>
        <source>Choose the limit to take out.</source>
        <translation>Die Grenze wählen, die heraus soll.</translation>
    </message>
    <message>
        <source>Choose the line that is to be struck out.</source>
        <translation>Die Zeile wählen, die gestrichen werden soll.</translation>
    </message>
    <message>
        <source>Choose the line to take out.</source>
        <translation>Die Zeile wählen, die heraus soll.</translation>
    </message>
    <message>
        <source>Choose the part to take off.</source>
        <translation>Das Teil wählen, das heraus soll.</translation>
    </message>
    <message>
        <source>Choose the reference spring to take out.</source>
        <translation>Die Prüffeder wählen, die heraus soll.</translation>
    </message>
    <message>
        <source>Choose the set the springs belong to.</source>
        <translation>Den Satz wählen, zu dem die Federn gehören.</translation>
    </message>
    <message>
        <source>Choose the set to fit.</source>
        <translation>Den Satz wählen, der eingebaut wird.</translation>
    </message>
    <message>
        <source>Choose the size to take out.</source>
        <translation>Die Größe wählen, die heraus soll.</translation>
    </message>
    <message>
        <source>Choose the tool to take out.</source>
        <translation>Das Werkzeug wählen, das heraus soll.</translation>
    </message>
    <message>
        <source>choose what to try: what each leaves to its nearest limit is drawn here</source>
        <translation>wählen, was probiert wird: was jedes bis zur nächsten Grenze lässt, wird hier gezeichnet</translation>
    </message>
    <message>
        <source>Clear</source>
        <translation>Leeren</translation>
    </message>
    <message>
        <source>Cleara&amp;nces</source>
        <translation>Abst&amp;ände</translation>
    </message>
    <message>
        <source>Clearance by angle</source>
        <translation>Abstand nach Winkel</translation>
    </message>
    <message>
        <source>Clearance volume at TDC, and all chambers over the smallest</source>
        <translation>Restvolumen im OT, und alle Brennräume über dem kleinsten</translation>
    </message>
    <message>
        <source>Clearances</source>
        <translation>Abstände</translation>
    </message>
    <message>
        <source>&amp;Close the window</source>
        <translation>Das Fenster schl&amp;ießen</translation>
    </message>
    <message>
        <source>closed</source>
        <translation>geschlossen</translation>
    </message>
    <message>
        <source>Closed: look at its zero</source>
        <translation>Geschlossen: nach der Null sehen</translation>
    </message>
    <message>
        <source>Columns of the grid</source>
        <translation>Spalten des Rasters</translation>
    </message>
    <message>
        <source>comfort</source>
        <translation>Komfort</translation>
    </message>
    <message>
        <source>comfort margin a quarter or more</source>
        <translation>Komfortreserve ein Viertel oder mehr</translation>
    </message>
    <message>
        <source>Compression ratio that is wanted</source>
        <translation>Gewünschtes Verdichtungsverhältnis</translation>
    </message>
    <message>
        <source>Confirmed and never saved.{0} {1}</source>
        <translation>Bestätigt und nie gespeichert.{0} {1}</translation>
    </message>
    <message>
        <source>counts</source>
        <translation>zählt</translation>
    </message>
    <message>
        <source>crank degrees</source>
        <translation>Kurbelgrade</translation>
    </message>
    <message>
        <source>Crank handle, half degrees from overlap TDC</source>
        <translation>Kurbelgriff, halbe Grade vom Überschneidungs-OT</translation>
    </message>
    <message>
        <source>Crank speed</source>
        <translation>Kurbeldrehzahl</translation>
    </message>
    <message>
        <source>crank speed</source>
        <translation>Kurbeldrehzahl</translation>
    </message>
    <message>
        <source>Crank wheel with the stops</source>
        <translation>Kurbelscheibe mit den Halten</translation>
    </message>
    <message>
        <source>crank:</source>
        <translation>Kurbel:</translation>
    </message>
    <message>
        <source>Ctrl+O opens a file. Or look at an invented engine first:</source>
        <translation>Strg+O öffnet eine Datei. Oder zuerst einen erfundenen Motor ansehen:</translation>
    </message>
    <message>
        <source>curves</source>
        <translation>Kurven</translation>
    </message>
    <message>
        <source>cut alone</source>
        <translation>nur fräsen</translation>
    </message>
    <message>
        <source>cut and shim, min metal</source>
        <translation>fräsen und Scheiben, am wenigsten Metall</translation>
    </message>
    <message>
        <source>cut no pocket</source>
        <translation>keine Tasche fräsen</translation>
    </message>
    <message>
        <source>Cut plan of the spring seats</source>
        <translation>Fräsplan der Federsitze</translation>
    </message>
    <message>
        <source>cut pockets up to {0}</source>
        <translation>Taschen fräsen bis {0}</translation>
    </message>
    <message>
        <source>cylinder {0}</source>
        <translation>Zylinder {0}</translation>
    </message>
    <message>
        <source>Dark &amp;theme</source>
        <translation>&amp;Dunkles Bild</translation>
    </message>
    <message>
        <source>Day</source>
        <translation>Tag</translation>
    </message>
    <message>
        <source>days or</source>
        <translation>Tagen oder</translation>
    </message>
    <message>
        <source>Default tools</source>
        <translation>Übliche Werkzeuge</translation>
    </message>
    <message>
        <source>Degree wheel with what was read on it</source>
        <translation>Gradscheibe mit dem, was daran gelesen wurde</translation>
    </message>
    <message>
        <source>Degreeing</source>
        <translation>Einmessen</translation>
    </message>
    <message>
        <source>Delete card</source>
        <translation>Karte löschen</translation>
    </message>
    <message>
        <source>Delete change</source>
        <translation>Änderung löschen</translation>
    </message>
    <message>
        <source>Delete it</source>
        <translation>Löschen</translation>
    </message>
    <message>
        <source>Delete limit</source>
        <translation>Grenze löschen</translation>
    </message>
    <message>
        <source>Delete member</source>
        <translation>Glied löschen</translation>
    </message>
    <message>
        <source>Delete part</source>
        <translation>Teil löschen</translation>
    </message>
    <message>
        <source>Delete reference</source>
        <translation>Prüffeder löschen</translation>
    </message>
    <message>
        <source>Delete set</source>
        <translation>Satz löschen</translation>
    </message>
    <message>
        <source>Delete size</source>
        <translation>Größe löschen</translation>
    </message>
    <message>
        <source>Delete spring</source>
        <translation>Feder löschen</translation>
    </message>
    <message>
        <source>Delete tool</source>
        <translation>Werkzeug löschen</translation>
    </message>
    <message>
        <source>Delete trial</source>
        <translation>Versuch löschen</translation>
    </message>
    <message>
        <source>Dimensions…</source>
        <translation>Maße…</translation>
    </message>
    <message>
        <source>Don't save</source>
        <translation>Nicht speichern</translation>
    </message>
    <message>
        <source>Done</source>
        <translation>Fertig</translation>
    </message>
    <message>
        <source>Done: {0}.</source>
        <translation>Erledigt: {0}.</translation>
    </message>
    <message>
        <source>dowel in the cam gear</source>
        <translation>Stift im Nockenwellenrad</translation>
    </message>
    <message>
        <source>Draw the witness mark you see on the tip; it is read here.</source>
        <translation>Die Tragspur, die auf dem Ventilende zu sehen ist, zeichnen; sie wird hier gelesen.</translation>
    </message>
    <message>
        <source>Drawn: centre {middle}, {width} wide.</source>
        <translation>Gezeichnet: Mitte {middle}, {width} breit.</translation>
    </message>
    <message>
        <source>Drop the shelf</source>
        <translation>Das Regal weglegen</translation>
    </message>
    <message>
        <source>due again after</source>
        <translation>wieder fällig nach</translation>
    </message>
    <message>
        <source>due again after days</source>
        <translation>wieder fällig nach Tagen</translation>
    </message>
    <message>
        <source>due again after heads</source>
        <translation>wieder fällig nach Köpfen</translation>
    </message>
    <message>
        <source>dummy valve</source>
        <translation>Probeventil</translation>
    </message>
    <message>
        <source>E&amp;xchange with another seat…</source>
        <translation>Mit einem anderen Sitz &amp;tauschen…</translation>
    </message>
    <message>
        <source>Each figure is changed by itself in the simulation, by a good share up and down. Far from where the engine is now it is a direction, not a promise: try it under Trial.</source>
        <translation>Jeder Wert wird in der Simulation für sich geändert, um einen guten Teil nach oben und unten. Weit von dort, wo der Motor jetzt ist, ist es eine Richtung und kein Versprechen: unter Versuch probieren.</translation>
    </message>
    <message>
        <source>each ±</source>
        <translation>jede ±</translation>
    </message>
    <message>
        <source>empty: </source>
        <translation>leer: </translation>
    </message>
    <message>
        <source>empty: from the middle out</source>
        <translation>leer: von der Mitte nach außen</translation>
    </message>
    <message>
        <source>&amp;Engine</source>
        <translation>&amp;Motor</translation>
    </message>
    <message>
        <source>Engine</source>
        <translation>Motor</translation>
    </message>
    <message>
        <source>&amp;Engine and parts</source>
        <translation>&amp;Motor und Teile</translation>
    </message>
    <message>
        <source>Engine and parts</source>
        <translation>Motor und Teile</translation>
    </message>
    <message>
        <source>engine without a name</source>
        <translation>Motor ohne Namen</translation>
    </message>
    <message>
        <source>Engines (*.liftbook)</source>
        <translation>Motoren (*.liftbook)</translation>
    </message>
    <message>
        <source>Enter replaces, * repeats</source>
        <translation>Eingabe ersetzt, * wiederholt</translation>
    </message>
    <message>
        <source>Enter, then {0}</source>
        <translation>Eingabe, dann {0}</translation>
    </message>
    <message>
        <source>Entries</source>
        <translation>Einträge</translation>
    </message>
    <message>
        <source>Entries of the book, the latest first</source>
        <translation>Einträge des Buchs, die jüngsten zuerst</translation>
    </message>
    <message>
        <source>Entries of the log, the latest first</source>
        <translation>Einträge des Tagebuchs, die jüngsten zuerst</translation>
    </message>
    <message>
        <source>events at</source>
        <translation>Steuerzeiten bei</translation>
    </message>
    <message>
        <source>Every edit is an entry, and a chain lies over all of them: honest-lift verify names the first that does not hold. Whoever rewrites the whole file can rewrite the chain: keep the fingerprint on paper, it shows that. The book goes with the engine when it is sold.</source>
        <translation>Jede Änderung ist ein Eintrag, und eine Kette liegt über allen: honest-lift verify nennt den ersten, der nicht hält. Wer die ganze Datei neu schreibt, kann auch die Kette neu schreiben: der Fingerabdruck auf Papier zeigt das. Das Buch geht mit dem Motor, wenn er verkauft wird.</translation>
    </message>
    <message>
        <source>every finding</source>
        <translation>jeder Befund</translation>
    </message>
    <message>
        <source>every height to its target</source>
        <translation>jede Höhe auf ihr Ziel</translation>
    </message>
    <message>
        <source>every height to the shortest pocket</source>
        <translation>jede Höhe auf die kürzeste Tasche</translation>
    </message>
    <message>
        <source>Every order of the lobe shakes the spring where it meets the spring's own frequency. The coils then close by so much more than the lift alone closes them.</source>
        <translation>Jede Ordnung des Nockens schüttelt die Feder, wo sie deren Eigenfrequenz trifft. Die Windungen schließen sich dann um so viel mehr, als der Hub allein sie schließt.</translation>
    </message>
    <message>
        <source>Every reading of {0}</source>
        <translation>Jeder Messwert von {0}</translation>
    </message>
    <message>
        <source>every {0}</source>
        <translation>jedes {0}</translation>
    </message>
    <message>
        <source>every {0}, by this one</source>
        <translation>jedes {0}, nach diesem</translation>
    </message>
    <message>
        <source>everything</source>
        <translation>alles</translation>
    </message>
    <message>
        <source>Everything is counted rigid and referred to the valve. The float speed of such a train is an upper bound, since a real one bends and floats earlier. It ranks springs and masses, not lobes, stiffness or bounce. Masses are stated under Engine and parts.</source>
        <translation>Alles wird starr gerechnet und auf das Ventil bezogen. Die Abhebedrehzahl eines solchen Ventiltriebs ist eine obere Schranke, denn ein echter biegt sich und hebt früher ab. Sie ordnet Federn und Massen, nicht Nocken, Steifigkeit oder Springen. Massen werden unter Motor und Teile angegeben.</translation>
    </message>
    <message>
        <source>Exchange springs</source>
        <translation>Federn tauschen</translation>
    </message>
    <message>
        <source>Exchange t&amp;wo springs…</source>
        <translation>&amp;Zwei Federn tauschen…</translation>
    </message>
    <message>
        <source>Exchange valves</source>
        <translation>Ventile tauschen</translation>
    </message>
    <message>
        <source>exhaust</source>
        <translation>Auslass</translation>
    </message>
    <message>
        <source>Export…</source>
        <translation>Ausgeben…</translation>
    </message>
    <message>
        <source>fewest operations</source>
        <translation>wenigste Arbeitsgänge</translation>
    </message>
    <message>
        <source>Figures at the cursor</source>
        <translation>Werte am Zeiger</translation>
    </message>
    <message>
        <source>Find</source>
        <translation>Suchen</translation>
    </message>
    <message>
        <source>Find what suits, and choose a candidate first.</source>
        <translation>Suchen, was passt, und zuerst einen Kandidaten wählen.</translation>
    </message>
    <message>
        <source>Fingerprint of the book</source>
        <translation>Fingerabdruck des Buchs</translation>
    </message>
    <message>
        <source>fingerprint {0}</source>
        <translation>Fingerabdruck {0}</translation>
    </message>
    <message>
        <source>firing &amp;order</source>
        <translation>Zünd&amp;folge</translation>
    </message>
    <message>
        <source>Firing order</source>
        <translation>Zündfolge</translation>
    </message>
    <message>
        <source>First type what the tester shows at the certified heights.</source>
        <translation>Zuerst eintippen, was das Prüfgerät bei den bescheinigten Höhen zeigt.</translation>
    </message>
    <message>
        <source>first way</source>
        <translation>eine Richtung</translation>
    </message>
    <message>
        <source>First what is missing:</source>
        <translation>Zuerst, was fehlt:</translation>
    </message>
    <message>
        <source>Fit a set</source>
        <translation>Einen Satz einbauen</translation>
    </message>
    <message>
        <source>&amp;Fit a set of springs…</source>
        <translation>Einen Federsatz &amp;einbauen…</translation>
    </message>
    <message>
        <source>Fit in head order</source>
        <translation>In Kopfreihenfolge einbauen</translation>
    </message>
    <message>
        <source>Fitted as planned: read the lash again at every valve that was changed.</source>
        <translation>Wie geplant eingebaut: an jedem geänderten Ventil das Spiel nochmals messen.</translation>
    </message>
    <message>
        <source>Flow of a port</source>
        <translation>Durchfluss eines Kanals</translation>
    </message>
    <message>
        <source>Flow of this cylinder's ports against lift</source>
        <translation>Durchfluss der Kanäle dieses Zylinders über dem Hub</translation>
    </message>
    <message>
        <source>Fold or &amp;unfold the margins</source>
        <translation>Die Reserven auf- &amp;oder zuklappen</translation>
    </message>
    <message>
        <source>fold the other steps away</source>
        <translation>die anderen Schritte wegklappen</translation>
    </message>
    <message>
        <source>for the same geometry</source>
        <translation>für dieselbe Geometrie</translation>
    </message>
    <message>
        <source>free: {0}</source>
        <translation>frei: {0}</translation>
    </message>
    <message>
        <source>from below</source>
        <translation>von unten</translation>
    </message>
    <message>
        <source>From the first</source>
        <translation>Von der ersten an</translation>
    </message>
    <message>
        <source>From the near rail to the chamber centres and to the far rail</source>
        <translation>Von der nahen Kante zur Mitte der Brennräume und zur fernen Kante</translation>
    </message>
    <message>
        <source>From where this valve floats and bounces</source>
        <translation>Ab wo dieses Ventil abhebt und springt</translation>
    </message>
    <message>
        <source>full</source>
        <translation>voll</translation>
    </message>
    <message>
        <source>Gap and bounce of this valve over speed</source>
        <translation>Abheben und Springen dieses Ventils über der Drehzahl</translation>
    </message>
    <message>
        <source>gauge length</source>
        <translation>Lehrenlänge</translation>
    </message>
    <message>
        <source>Gauges</source>
        <translation>Messgeräte</translation>
    </message>
    <message>
        <source>Geometry</source>
        <translation>Geometrie</translation>
    </message>
    <message>
        <source>Go to the tightest</source>
        <translation>Zur engsten Stelle</translation>
    </message>
    <message>
        <source>Goal of the plan</source>
        <translation>Ziel des Plans</translation>
    </message>
    <message>
        <source>goes under</source>
        <translation>kommt unter</translation>
    </message>
    <message>
        <source>Guides</source>
        <translation>Führungen</translation>
    </message>
    <message>
        <source>Guides and bases by place</source>
        <translation>Führungen und Auflagen nach Stelle</translation>
    </message>
    <message>
        <source>Guides and hardened bases, where they differ from what is stated for the whole engine; the nearest place counts:</source>
        <translation>Führungen und gehärtete Auflagen, wo sie von dem abweichen, was für den ganzen Motor angegeben ist; die nächste Stelle zählt:</translation>
    </message>
    <message>
        <source>guides of</source>
        <translation>Führungen aus</translation>
    </message>
    <message>
        <source>hardened</source>
        <translation>gehärtet</translation>
    </message>
    <message>
        <source>hardened base</source>
        <translation>gehärtete Auflage</translation>
    </message>
    <message>
        <source>Head bolts</source>
        <translation>Kopfschrauben</translation>
    </message>
    <message>
        <source>Head parts</source>
        <translation>Teile des Kopfs</translation>
    </message>
    <message>
        <source>Heads from above</source>
        <translation>Köpfe von oben</translation>
    </message>
    <message>
        <source>heads of springs</source>
        <translation>Köpfen mit Federn</translation>
    </message>
    <message>
        <source>Heights and loads of every valve</source>
        <translation>Höhen und Kräfte aller Ventile</translation>
    </message>
    <message>
        <source>&amp;Help</source>
        <translation>&amp;Hilfe</translation>
    </message>
    <message>
        <source>Highest speed</source>
        <translation>Höchste Drehzahl</translation>
    </message>
    <message>
        <source>History of the place</source>
        <translation>Verlauf der Stelle</translation>
    </message>
    <message>
        <source>Honest Lift</source>
        <translation>Honest Lift</translation>
    </message>
    <message>
        <source>Honest Lift {0}. Free software under the GNU General Public License, version 3 or later. It proves nothing that was not measured.</source>
        <translation>Honest Lift {0}. Freie Software unter der GNU General Public License, Version 3 oder später. Es beweist nichts, was nicht gemessen wurde.</translation>
    </message>
    <message>
        <source>Hours</source>
        <translation>Stunden</translation>
    </message>
    <message>
        <source>hours</source>
        <translation>Stunden</translation>
    </message>
    <message>
        <source>How deep pockets may be cut</source>
        <translation>Wie tief Taschen gefräst werden dürfen</translation>
    </message>
    <message>
        <source>How it is measured</source>
        <translation>Wie es gemessen wird</translation>
    </message>
    <message>
        <source>how many</source>
        <translation>wie viele</translation>
    </message>
    <message>
        <source>how many springs</source>
        <translation>wie viele Federn</translation>
    </message>
    <message>
        <source>how pushrod lengths are quoted</source>
        <translation>wie Stößelstangenlängen angegeben werden</translation>
    </message>
    <message>
        <source>how the rockers are carried</source>
        <translation>wie die Kipphebel gelagert sind</translation>
    </message>
    <message>
        <source>how the spring seats come into one plane</source>
        <translation>wie die Federsitze in eine Ebene kommen</translation>
    </message>
    <message>
        <source>if left as it is</source>
        <translation>wenn es so bleibt</translation>
    </message>
    <message>
        <source>Import</source>
        <translation>Einlesen</translation>
    </message>
    <message>
        <source>Import a first part of this kind: a part is never laid out without its figures.</source>
        <translation>Ein erstes Teil dieser Art einlesen: ein Teil wird nie ohne seine Werte angelegt.</translation>
    </message>
    <message>
        <source>Import parts</source>
        <translation>Teile einlesen</translation>
    </message>
    <message>
        <source>Import {0}</source>
        <translation>{0} einlesen</translation>
    </message>
    <message>
        <source>Import…</source>
        <translation>Einlesen…</translation>
    </message>
    <message>
        <source>In a few words, for the reading that goes stale:</source>
        <translation>In wenigen Worten, für den Messwert, der veraltet:</translation>
    </message>
    <message>
        <source>in equal &amp;steps</source>
        <translation>in &amp;gleichen Stufen</translation>
    </message>
    <message>
        <source>In hand</source>
        <translation>In der Hand</translation>
    </message>
    <message>
        <source>in stock:</source>
        <translation>vorrätig:</translation>
    </message>
    <message>
        <source>in the drawer:</source>
        <translation>in der Schublade:</translation>
    </message>
    <message>
        <source>inches and &amp;millimetres side by side</source>
        <translation>Zoll und &amp;Millimeter nebeneinander</translation>
    </message>
    <message>
        <source>indicator</source>
        <translation>Messuhr</translation>
    </message>
    <message>
        <source>instrument</source>
        <translation>Messgerät</translation>
    </message>
    <message>
        <source>intake</source>
        <translation>Einlass</translation>
    </message>
    <message>
        <source>Invented shelf</source>
        <translation>Erfundenes Regal</translation>
    </message>
    <message>
        <source>It belongs to another file than the one on the desk. Open that file and take it in?</source>
        <translation>Es gehört zu einer anderen Datei als der auf dem Tisch. Jene öffnen und es übernehmen?</translation>
    </message>
    <message>
        <source>It can't be started: open {0} by hand.</source>
        <translation>Es lässt sich nicht starten: {0} bitte von Hand öffnen.</translation>
    </message>
    <message>
        <source>It is held up: measure what fails or is unproven, sign for it, or take the mock-up out.</source>
        <translation>Er ist angehalten: messen, was durchfällt oder nicht bewiesen ist, dafür unterschreiben, oder den Probeaufbau ausbauen.</translation>
    </message>
    <message>
        <source>It was looked at, not measured. A judgement has no uncertainty in figures.</source>
        <translation>Es wurde angesehen, nicht gemessen. Ein Urteil hat keine Unsicherheit in Zahlen.</translation>
    </message>
    <message>
        <source>It was not calculated. {0}.</source>
        <translation>Es wurde nicht gerechnet. {0}.</translation>
    </message>
    <message>
        <source>It was not searched: {0}.</source>
        <translation>Es wurde nicht gesucht: {0}.</translation>
    </message>
    <message>
        <source>Item of your own</source>
        <translation>Eigener Punkt</translation>
    </message>
    <message>
        <source>its centre</source>
        <translation>seine Mitte</translation>
    </message>
    <message>
        <source>its loads are corrected by</source>
        <translation>seine Kräfte werden berichtigt um</translation>
    </message>
    <message>
        <source>Its name:</source>
        <translation>Sein Name:</translation>
    </message>
    <message>
        <source>Its number (figures are taken from {0}):</source>
        <translation>Seine Nummer (die Werte kommen von {0}):</translation>
    </message>
    <message>
        <source>its valve has no number</source>
        <translation>sein Ventil hat keine Nummer</translation>
    </message>
    <message>
        <source>Job</source>
        <translation>Arbeit</translation>
    </message>
    <message>
        <source>job in hand</source>
        <translation>laufende Arbeit</translation>
    </message>
    <message>
        <source>Keep as…</source>
        <translation>Behalten als…</translation>
    </message>
    <message>
        <source>Keep for the shop</source>
        <translation>Für die Werkstatt behalten</translation>
    </message>
    <message>
        <source>Keep rows</source>
        <translation>Zeilen behalten</translation>
    </message>
    <message>
        <source>keep the suspect rows, looked at again</source>
        <translation>die verdächtigen Zeilen behalten, nochmals angesehen</translation>
    </message>
    <message>
        <source>Keep the trial</source>
        <translation>Den Versuch behalten</translation>
    </message>
    <message>
        <source>Kept trials beside the engine as it is: each check at its worst.</source>
        <translation>Behaltene Versuche neben dem Motor, wie er ist: jede Prüfung an ihrer schlechtesten Stelle.</translation>
    </message>
    <message>
        <source>Kept trials side by side</source>
        <translation>Behaltene Versuche nebeneinander</translation>
    </message>
    <message>
        <source>Kept: another engine takes it with “Use the shop's”.</source>
        <translation>Behalten: ein anderer Motor übernimmt ihn mit „Den der Werkstatt nehmen“.</translation>
    </message>
    <message>
        <source>key in the crank gear</source>
        <translation>Keil im Kurbelwellenrad</translation>
    </message>
    <message>
        <source>&amp;Keys</source>
        <translation>&amp;Tasten</translation>
    </message>
    <message>
        <source>Kind of entry</source>
        <translation>Art des Eintrags</translation>
    </message>
    <message>
        <source>kind of line</source>
        <translation>Art der Leitung</translation>
    </message>
    <message>
        <source>Kind of part</source>
        <translation>Art des Teils</translation>
    </message>
    <message>
        <source>kind of tool</source>
        <translation>Art des Werkzeugs</translation>
    </message>
    <message>
        <source>Ladders of the candidates set beside each other</source>
        <translation>Leitern der verglichenen Kandidaten</translation>
    </message>
    <message>
        <source>&amp;Larger</source>
        <translation>Gr&amp;ößer</translation>
    </message>
    <message>
        <source>largest float margin</source>
        <translation>größte Abhebereserve</translation>
    </message>
    <message>
        <source>largest float margin, train that bends</source>
        <translation>größte Abhebereserve, biegsamer Ventiltrieb</translation>
    </message>
    <message>
        <source>largest minimum margin</source>
        <translation>größte kleinste Reserve</translation>
    </message>
    <message>
        <source>lash</source>
        <translation>Spiel</translation>
    </message>
    <message>
        <source>lash tried</source>
        <translation>Spiel probiert</translation>
    </message>
    <message>
        <source>last &amp;torque, by the manual</source>
        <translation>letztes Dreh&amp;moment, nach Handbuch</translation>
    </message>
    <message>
        <source>Lay out</source>
        <translation>Anlegen</translation>
    </message>
    <message>
        <source>lay out</source>
        <translation>anlegen</translation>
    </message>
    <message>
        <source>Lay {0} on the shelf</source>
        <translation>{0} auf das Regal legen</translation>
    </message>
    <message>
        <source>Learn from its last line</source>
        <translation>Aus der letzten Zeile lernen</translation>
    </message>
    <message>
        <source>least metal</source>
        <translation>am wenigsten Metall</translation>
    </message>
    <message>
        <source>Least {0} {1}, {2:.1f} degrees from TDC.</source>
        <translation>Kleinster {0} {1}, {2:.1f} Grad vom OT.</translation>
    </message>
    <message>
        <source>Leave it</source>
        <translation>Lassen</translation>
    </message>
    <message>
        <source>Leave it out</source>
        <translation>Weglassen</translation>
    </message>
    <message>
        <source>Leave out</source>
        <translation>Weglassen</translation>
    </message>
    <message>
        <source>leave out the suspect rows</source>
        <translation>die verdächtigen Zeilen weglassen</translation>
    </message>
    <message>
        <source>left out</source>
        <translation>weggelassen</translation>
    </message>
    <message>
        <source>left to the nearest limit, in shares of its comfort margin; filled: nothing stops passing</source>
        <translation>übrig bis zur nächsten Grenze, in Teilen der Komfortreserve; gefüllt: nichts hört auf zu bestehen</translation>
    </message>
    <message>
        <source>lengths stated</source>
        <translation>Längen angegeben</translation>
    </message>
    <message>
        <source>lift</source>
        <translation>Hub</translation>
    </message>
    <message>
        <source>Lift asked for and reached, and the forces, through the turn</source>
        <translation>Verlangter und erreichter Hub, und die Kräfte, über die Umdrehung</translation>
    </message>
    <message>
        <source>Lift lost against the load on the tip</source>
        <translation>Hubverlust über der Last am Ventilende</translation>
    </message>
    <message>
        <source>Lift lost to a load on the tip</source>
        <translation>Hubverlust bei einer Last am Ventilende</translation>
    </message>
    <message>
        <source>Lift of intake and exhaust around the overlap</source>
        <translation>Hub von Einlass und Auslass um die Überschneidung</translation>
    </message>
    <message>
        <source>Lift, from closed to full</source>
        <translation>Hub, von geschlossen bis voll</translation>
    </message>
    <message>
        <source>lift, {0}</source>
        <translation>Hub, {0}</translation>
    </message>
    <message>
        <source>lifts in</source>
        <translation>Hübe in</translation>
    </message>
    <message>
        <source>Light or dark as the s&amp;ystem</source>
        <translation>Hell oder dunkel wie das S&amp;ystem</translation>
    </message>
    <message>
        <source>Light spring in, solid lifter or the lash taken up: at each angle push the valve down to the piston and read how far. Every two degrees from 20 before to 20 after; an angle of your own can be typed into the first column of the last line.</source>
        <translation>Leichte Feder eingebaut, starrer Stößel oder Spiel weggenommen: bei jedem Winkel das Ventil bis zum Kolben drücken und lesen, wie weit. Alle zwei Grad von 20 vor bis 20 nach; ein eigener Winkel lässt sich in die erste Spalte der letzten Zeile tippen.</translation>
    </message>
    <message>
        <source>lightest</source>
        <translation>am leichtesten</translation>
    </message>
    <message>
        <source>limit</source>
        <translation>Grenze</translation>
    </message>
    <message>
        <source>limit: {0}</source>
        <translation>Grenze: {0}</translation>
    </message>
    <message>
        <source>Limits</source>
        <translation>Grenzen</translation>
    </message>
    <message>
        <source>Listen</source>
        <translation>Zuhören</translation>
    </message>
    <message>
        <source>Load curve of the current spring</source>
        <translation>Kraftkurve der gewählten Feder</translation>
    </message>
    <message>
        <source>Load curves of the candidates set beside each other</source>
        <translation>Kraftkurven der verglichenen Kandidaten</translation>
    </message>
    <message>
        <source>Loads and bind heights of every spring</source>
        <translation>Kräfte und Blocklängen jeder Feder</translation>
    </message>
    <message>
        <source>loads are corrected by</source>
        <translation>Kräfte werden berichtigt um</translation>
    </message>
    <message>
        <source>Loads asked for</source>
        <translation>Verlangte Kräfte</translation>
    </message>
    <message>
        <source>Loads asked for: the cam maker's, else a manual's, else the shop's by lifter kind. With none, unproven.</source>
        <translation>Verlangte Kräfte: die des Nockenwellenherstellers, sonst die des Handbuchs, sonst die der Werkstatt nach Stößelart. Ohne sie nicht bewiesen.</translation>
    </message>
    <message>
        <source>loads in {0}</source>
        <translation>Kräfte in {0}</translation>
    </message>
    <message>
        <source>lobe</source>
        <translation>Nocken</translation>
    </message>
    <message>
        <source>lobe degreed</source>
        <translation>eingemessener Nocken</translation>
    </message>
    <message>
        <source>Lobe lift, ratio, lash…</source>
        <translation>Nockenhub, Übersetzung, Ventilspiel…</translation>
    </message>
    <message>
        <source>lobe of</source>
        <translation>Nocken von</translation>
    </message>
    <message>
        <source>Locators and cups</source>
        <translation>Zentrierringe und Schalen</translation>
    </message>
    <message>
        <source>Locks</source>
        <translation>Keile</translation>
    </message>
    <message>
        <source>Log</source>
        <translation>Tagebuch</translation>
    </message>
    <message>
        <source>&amp;Look at it…</source>
        <translation>&amp;Ansehen…</translation>
    </message>
    <message>
        <source>Look at the difference</source>
        <translation>Den Unterschied ansehen</translation>
    </message>
    <message>
        <source>Look for unsa&amp;ved work…</source>
        <translation>Nach un&amp;gespeicherter Arbeit suchen…</translation>
    </message>
    <message>
        <source>{0} is now stated as finer, and {1} readings were taken with it.</source>
        <translation>{0} ist jetzt feiner angegeben, und {1} Messwerte wurden damit genommen.</translation>
    </message>
    <message>
        <source>From now on: those readings keep their uncertainty. Always so: they get the new one.</source>
        <translation>Ab jetzt: diese Messwerte behalten ihre Unsicherheit. War es immer so: sie bekommen die neue.</translation>
    </message>
    <message>
        <source>From now on</source>
        <translation>Ab jetzt</translation>
    </message>
    <message>
        <source>none under any spring</source>
        <translation>unter keiner Feder eine</translation>
    </message>
    <message>
        <source>Were parts renewed?</source>
        <translation>Wurden Teile erneuert?</translation>
    </message>
    <message>
        <source>All were renewed</source>
        <translation>Alle wurden erneuert</translation>
    </message>
    <message>
        <source>Only some…</source>
        <translation>Nur einige …</translation>
    </message>
    <message>
        <source>None</source>
        <translation>Keine</translation>
    </message>
    <message>
        <source>The same engine?</source>
        <translation>Derselbe Motor?</translation>
    </message>
    <message>
        <source>This engine already has a file, and its parts have been measured.</source>
        <translation>Dieser Motor hat schon eine Datei, und seine Teile sind gemessen.</translation>
    </message>
    <message>
        <source>Another engine has its own parts: stated figures are kept, and readings no longer count.</source>
        <translation>Ein anderer Motor hat eigene Teile: Angaben bleiben, Messwerte zählen nicht mehr.</translation>
    </message>
    <message>
        <source>Same engine, another file</source>
        <translation>Derselbe Motor, weitere Datei</translation>
    </message>
    <message>
        <source>Start another engine from it</source>
        <translation>Einen anderen Motor damit beginnen</translation>
    </message>
    <message>
        <source>begins another engine</source>
        <translation>beginnt einen anderen Motor</translation>
    </message>
    <message>
        <source>The entry names measured parts: {0}. Were they replaced or machined?</source>
        <translation>Der Eintrag nennt gemessene Teile: {0}. Wurden sie ersetzt oder bearbeitet?</translation>
    </message>
    <message>
        <source>Readings of the old parts prove nothing about the new ones.</source>
        <translation>Messwerte der alten Teile beweisen nichts über die neuen.</translation>
    </message>
    <message>
        <source>by the log: {0}</source>
        <translation>laut Logbuch: {0}</translation>
    </message>
    <message>
        <source>Go to each valve concerned, and choose Measure, Something else was changed here…</source>
        <translation>Geh zu jedem betroffenen Ventil und wähle Messen, Hier wurde etwas anderes geändert …</translation>
    </message>
    <message>
        <source>Looked at, and right</source>
        <translation>Angesehen und in Ordnung</translation>
    </message>
    <message>
        <source>Ticked by {0} on {1}. Its parts have been changed since: check again.</source>
        <translation>Von {0} am {1} abgehakt. Seitdem wurden Teile geändert: prüfe noch einmal.</translation>
    </message>
    <message>
        <source>looking…</source>
        <translation>sucht…</translation>
    </message>
    <message>
        <source>Looks through every spring, retainer and pair of locks on the shelf, with every stack of shims, for what lies between all limits at every pocket as measured. Cards prove nothing; what is found counts once it is measured.</source>
        <translation>Geht durch jede Feder, jeden Teller und jedes Keilpaar des Regals, mit jedem Stapel Scheiben, nach dem, was an jeder gemessenen Tasche zwischen allen Grenzen liegt. Karten beweisen nichts; was gefunden wird, zählt, sobald es gemessen ist.</translation>
    </message>
    <message>
        <source>&amp;lubricant, sealer</source>
        <translation>S&amp;chmierstoff, Dichtmittel</translation>
    </message>
    <message>
        <source>Ma&amp;tch</source>
        <translation>&amp;Passende Teile</translation>
    </message>
    <message>
        <source>Machinist's work order…</source>
        <translation>Auftrag für die Maschinenwerkstatt…</translation>
    </message>
    <message>
        <source>&amp;Manual</source>
        <translation>&amp;Handbuch</translation>
    </message>
    <message>
        <source>Manual</source>
        <translation>Handbuch</translation>
    </message>
    <message>
        <source>margin {0}</source>
        <translation>Reserve {0}</translation>
    </message>
    <message>
        <source>Margins of the current valve</source>
        <translation>Reserven des gewählten Ventils</translation>
    </message>
    <message>
        <source>mark if left as it is</source>
        <translation>Spur, wenn es so bleibt</translation>
    </message>
    <message>
        <source>mark wide</source>
        <translation>Spur breit</translation>
    </message>
    <message>
        <source>Marks of all valves</source>
        <translation>Tragspuren aller Ventile</translation>
    </message>
    <message>
        <source>marks of all valves, outboard up; outlined: as read</source>
        <translation>Tragspuren aller Ventile, außen oben; umrandet: wie gelesen</translation>
    </message>
    <message>
        <source>Marks read with the checking pushrod</source>
        <translation>Tragspuren mit der Prüfstößelstange</translation>
    </message>
    <message>
        <source>Masses</source>
        <translation>Massen</translation>
    </message>
    <message>
        <source>Masses at the valve, each with what a tenth less of it is worth</source>
        <translation>Massen am Ventil, jede mit dem, was ein Zehntel weniger bringt</translation>
    </message>
    <message>
        <source>Masses that move with the valve</source>
        <translation>Massen, die sich mit dem Ventil bewegen</translation>
    </message>
    <message>
        <source>Match</source>
        <translation>Passende Teile</translation>
    </message>
    <message>
        <source>&amp;Measure</source>
        <translation>M&amp;essen</translation>
    </message>
    <message>
        <source>Measure in Honest Lift</source>
        <translation>In Honest Lift messen</translation>
    </message>
    <message>
        <source>Measure what is ne&amp;xt</source>
        <translation>Messen, was als &amp;Nächstes kommt</translation>
    </message>
    <message>
        <source>Measured lobes</source>
        <translation>Gemessene Nocken</translation>
    </message>
    <message>
        <source>Members of the card</source>
        <translation>Federn der Karte</translation>
    </message>
    <message>
        <source>Members of the chosen card; the step shortens one against the outer, and bars a pass without its ±:</source>
        <translation>Federn der gewählten Karte; die Stufe verkürzt eine gegenüber der äußeren und verhindert ohne ihr ± das Bestehen:</translation>
    </message>
    <message>
        <source>milling</source>
        <translation>Planen</translation>
    </message>
    <message>
        <source>Mo&amp;ve the reading to another place…</source>
        <translation>&amp;Den Messwert an eine andere Stelle…</translation>
    </message>
    <message>
        <source>Most lift</source>
        <translation>Größter Hub</translation>
    </message>
    <message>
        <source>Most worth measuring again</source>
        <translation>Was sich zu messen am meisten lohnt</translation>
    </message>
    <message>
        <source>Move the reading</source>
        <translation>Den Messwert verschieben</translation>
    </message>
    <message>
        <source>Move to another place…</source>
        <translation>An eine andere Stelle…</translation>
    </message>
    <message>
        <source>Name it</source>
        <translation>Benennen</translation>
    </message>
    <message>
        <source>name it</source>
        <translation>benennen</translation>
    </message>
    <message>
        <source>near rail to centre, to far rail:</source>
        <translation>nahe Kante bis Mitte, bis ferne Kante:</translation>
    </message>
    <message>
        <source>never saved to a file</source>
        <translation>nie in eine Datei gespeichert</translation>
    </message>
    <message>
        <source>New card</source>
        <translation>Neue Karte</translation>
    </message>
    <message>
        <source>&amp;New engine</source>
        <translation>&amp;Neuer Motor</translation>
    </message>
    <message>
        <source>new heads</source>
        <translation>neue Köpfe</translation>
    </message>
    <message>
        <source>New heads in inches: nested springs, walked lobes, clearances, compression.</source>
        <translation>Neue Köpfe in Zoll: Federpakete, vermessene Nocken, Abstände, Verdichtung.</translation>
    </message>
    <message>
        <source>New reference spring</source>
        <translation>Neue Prüffeder</translation>
    </message>
    <message>
        <source>New set of this card</source>
        <translation>Neuer Satz dieser Karte</translation>
    </message>
    <message>
        <source>New shelf</source>
        <translation>Neues Regal</translation>
    </message>
    <message>
        <source>New shelf…</source>
        <translation>Neues Regal…</translation>
    </message>
    <message>
        <source>New shim = the one that is in + lash measured - lash wanted. Type the shims that are in and the lash at the bar below; shims change places before any is bought.</source>
        <translation>Neue Scheibe = eingebaute + gemessenes Spiel - gewünschtes Spiel. Unten in der Leiste die eingebauten Scheiben und das Spiel eintippen; Scheiben tauschen die Plätze, bevor eine gekauft wird.</translation>
    </message>
    <message>
        <source>Next to measure (F2)</source>
        <translation>Als Nächstes messen (F2)</translation>
    </message>
    <message>
        <source>&amp;Next valve</source>
        <translation>Nächstes Ventil</translation>
    </message>
    <message>
        <source>No backup</source>
        <translation>Keine Sicherung</translation>
    </message>
    <message>
        <source>No book yet: it begins with the first edit.</source>
        <translation>Noch kein Buch: es beginnt mit der ersten Änderung.</translation>
    </message>
    <message>
        <source>no cylinder is laid out yet</source>
        <translation>noch kein Zylinder angelegt</translation>
    </message>
    <message>
        <source>No head is laid out yet.</source>
        <translation>Noch kein Zylinderkopf angelegt.</translation>
    </message>
    <message>
        <source>No heads are laid out yet: choose a layout under Engine and parts.</source>
        <translation>Noch keine Köpfe angelegt: unter Motor und Teile eine Anordnung wählen.</translation>
    </message>
    <message>
        <source>no other betters it in all</source>
        <translation>keine andere übertrifft sie in allem</translation>
    </message>
    <message>
        <source>no page holds that</source>
        <translation>das steht auf keiner Seite</translation>
    </message>
    <message>
        <source>No plan has been calculated yet.</source>
        <translation>Noch kein Plan gerechnet.</translation>
    </message>
    <message>
        <source>no pocket is cut</source>
        <translation>keine Tasche wird gefräst</translation>
    </message>
    <message>
        <source>no port of this cylinder has been flowed: nothing rests on it</source>
        <translation>kein Kanal dieses Zylinders wurde vermessen: nichts beruht darauf</translation>
    </message>
    <message>
        <source>No simulation replaces turning the engine over and measuring. A valve that drops at speed throws metal.</source>
        <translation>Keine Simulation ersetzt das Durchdrehen und Messen. Ein Ventil, das bei Drehzahl fällt, wirft Metall.</translation>
    </message>
    <message>
        <source>no spring fitted</source>
        <translation>keine Feder eingebaut</translation>
    </message>
    <message>
        <source>no spring in hand: add a set under Engine and parts, Springs</source>
        <translation>keine Feder vorhanden: unter Motor und Teile, Federn einen Satz anlegen</translation>
    </message>
    <message>
        <source>No spring, retainer or pair of locks “{0}” lies on this shelf.</source>
        <translation>Keine Feder, kein Teller und kein Keilpaar „{0}“ liegt auf diesem Regal.</translation>
    </message>
    <message>
        <source>No stack of the stock and no spare spring puts it right without failing something else.</source>
        <translation>Kein Stapel aus dem Vorrat und keine Ersatzfeder bringt es in Ordnung, ohne dass anderes durchfällt.</translation>
    </message>
    <message>
        <source>No trial is kept yet: keep one or more under a name to see them side by side here.</source>
        <translation>Noch kein Versuch behalten: einen oder mehrere unter einem Namen behalten, um sie hier nebeneinander zu sehen.</translation>
    </message>
    <message>
        <source>no valve</source>
        <translation>kein Ventil</translation>
    </message>
    <message>
        <source>No valve is chosen: lay the heads out first.</source>
        <translation>Kein Ventil gewählt: zuerst die Köpfe anlegen.</translation>
    </message>
    <message>
        <source>no valve is laid out yet</source>
        <translation>noch kein Ventil angelegt</translation>
    </message>
    <message>
        <source>no valve laid out yet</source>
        <translation>noch kein Ventil angelegt</translation>
    </message>
    <message>
        <source>None of its readings counts any more, so it corrects nothing.</source>
        <translation>Keiner seiner Messwerte zählt mehr, also berichtigt es nichts.</translation>
    </message>
    <message>
        <source>none yet</source>
        <translation>noch keine</translation>
    </message>
    <message>
        <source>not asked</source>
        <translation>nicht verlangt</translation>
    </message>
    <message>
        <source>not named</source>
        <translation>nicht benannt</translation>
    </message>
    <message>
        <source>Not now</source>
        <translation>Nicht jetzt</translation>
    </message>
    <message>
        <source>Not put away</source>
        <translation>Nicht weggelegt</translation>
    </message>
    <message>
        <source>not said</source>
        <translation>nicht gesagt</translation>
    </message>
    <message>
        <source>Not saved</source>
        <translation>Nicht gespeichert</translation>
    </message>
    <message>
        <source>Not saved the last time</source>
        <translation>Beim letzten Mal nicht gespeichert</translation>
    </message>
    <message>
        <source>not saved yet</source>
        <translation>noch nicht gespeichert</translation>
    </message>
    <message>
        <source>Note</source>
        <translation>Notiz</translation>
    </message>
    <message>
        <source>&amp;Note on the reading…</source>
        <translation>N&amp;otiz zum Messwert…</translation>
    </message>
    <message>
        <source>Note on {0}:</source>
        <translation>Notiz zu {0}:</translation>
    </message>
    <message>
        <source>Note…</source>
        <translation>Notiz…</translation>
    </message>
    <message>
        <source>Nothing has to be put right here.</source>
        <translation>Hier ist nichts in Ordnung zu bringen.</translation>
    </message>
    <message>
        <source>Nothing here is to be measured; the reason above says what it needs.</source>
        <translation>Hier ist nichts zu messen; der Grund oben sagt, was fehlt.</translation>
    </message>
    <message>
        <source>Nothing in the drawer would narrow it noticeably.</source>
        <translation>Nichts in der Schublade würde es merklich enger machen.</translation>
    </message>
    <message>
        <source>Nothing is found by this check here.</source>
        <translation>Diese Prüfung findet hier nichts.</translation>
    </message>
    <message>
        <source>Nothing is found yet: Find looks through the shelf.</source>
        <translation>Noch nichts gefunden: Suchen geht durch das Regal.</translation>
    </message>
    <message>
        <source>nothing is measured towards it yet: a valve drop at TDC, clay, or a row of readings</source>
        <translation>dazu ist noch nichts gemessen: ein Ventilweg im OT, Knete oder eine Reihe von Messwerten</translation>
    </message>
    <message>
        <source>nothing is missing</source>
        <translation>es fehlt nichts</translation>
    </message>
    <message>
        <source>Nothing is missing, and nothing close can be narrowed. What fails has to be put right.</source>
        <translation>Es fehlt nichts, und nichts Knappes lässt sich enger machen. Was durchfällt, muss in Ordnung gebracht werden.</translation>
    </message>
    <message>
        <source>Nothing is proven before it is measured.</source>
        <translation>Nichts ist bewiesen, bevor es gemessen ist.</translation>
    </message>
    <message>
        <source>Nothing is to be changed.</source>
        <translation>Nichts ist zu ändern.</translation>
    </message>
    <message>
        <source>Nothing is typed, so nothing is taken. Down steps on without a reading.</source>
        <translation>Nichts getippt, also nichts genommen. Pfeil ab geht ohne Messwert weiter.</translation>
    </message>
    <message>
        <source>Nothing listens on this line: open Honest Lift beside the bench.</source>
        <translation>Auf dieser Leitung hört niemand: Honest Lift neben der Werkbank öffnen.</translation>
    </message>
    <message>
        <source>Nothing that moves with this valve is calculated yet.</source>
        <translation>Noch nichts gerechnet, was sich mit diesem Ventil bewegt.</translation>
    </message>
    <message>
        <source>Nothing was left unsaved.</source>
        <translation>Nichts blieb ungespeichert.</translation>
    </message>
    <message>
        <source>nothing was read here yet, and nothing is known to calculate it from</source>
        <translation>hier wurde noch nichts gemessen, und nichts ist bekannt, um es zu rechnen</translation>
    </message>
    <message>
        <source>nothing was read here: its stiffness is stated, read at another valve, or guessed</source>
        <translation>hier wurde nichts gemessen: die Steifigkeit ist angegeben, an einem anderen Ventil gemessen oder geschätzt</translation>
    </message>
    <message>
        <source>nothing was read on the engine yet</source>
        <translation>am Motor wurde noch nichts gemessen</translation>
    </message>
    <message>
        <source>nothing was written down yet</source>
        <translation>noch nichts eingetragen</translation>
    </message>
    <message>
        <source>Nothing was written. Written over, what it holds now becomes its backup.</source>
        <translation>Nichts wurde geschrieben. Überschrieben wird das, was sie jetzt enthält, zu ihrer Sicherung.</translation>
    </message>
    <message>
        <source>nothing: as read, and nothing passes</source>
        <translation>keine: wie gelesen, und nichts besteht</translation>
    </message>
    <message>
        <source>now</source>
        <translation>jetzt</translation>
    </message>
    <message>
        <source>nowhere yet</source>
        <translation>noch nirgends</translation>
    </message>
    <message>
        <source>Number of the valve that is put into {0}:</source>
        <translation>Nummer des Ventils, das in {0} kommt:</translation>
    </message>
    <message>
        <source>number or name</source>
        <translation>Nummer oder Name</translation>
    </message>
    <message>
        <source>Number the valves</source>
        <translation>Die Ventile nummerieren</translation>
    </message>
    <message>
        <source>&amp;Number the valves…</source>
        <translation>Die Ventile &amp;nummerieren…</translation>
    </message>
    <message>
        <source>number: why not?</source>
        <translation>Nummer: warum nicht?</translation>
    </message>
    <message>
        <source>Numbers of all {0} valves in head order, or one for {1}:</source>
        <translation>Nummern aller {0} Ventile in Kopfreihenfolge, oder eine für {1}:</translation>
    </message>
    <message>
        <source>off or on; filled: nothing turns for the worse</source>
        <translation>ab oder dazu; gefüllt: nichts wird schlechter</translation>
    </message>
    <message>
        <source>on a shaft: the stand sets the pivot, the adjuster the lash</source>
        <translation>auf einer Welle: der Bock setzt den Drehpunkt, die Schraube das Spiel</translation>
    </message>
    <message>
        <source>on studs: the nut sets the lash, a longer pushrod raises the pivot</source>
        <translation>auf Stehbolzen: die Mutter setzt das Spiel, eine längere Stößelstange hebt den Drehpunkt</translation>
    </message>
    <message>
        <source>once it is begun</source>
        <translation>sobald begonnen</translation>
    </message>
    <message>
        <source>one plane by</source>
        <translation>eine Ebene durch</translation>
    </message>
    <message>
        <source>One trial</source>
        <translation>Ein Versuch</translation>
    </message>
    <message>
        <source>only to try:</source>
        <translation>nur zur Probe:</translation>
    </message>
    <message>
        <source>Open an engine</source>
        <translation>Einen Motor öffnen</translation>
    </message>
    <message>
        <source>Open degree-wheel tables</source>
        <translation>Gradscheibentabellen öffnen</translation>
    </message>
    <message>
        <source>Open for reading only</source>
        <translation>Nur zum Lesen geöffnet</translation>
    </message>
    <message>
        <source>open loads as alike as can be</source>
        <translation>Öffnungskräfte so gleich wie möglich</translation>
    </message>
    <message>
        <source>Open re&amp;cent</source>
        <translation>&amp;Zuletzt geöffnet</translation>
    </message>
    <message>
        <source>Open the truth…</source>
        <translation>Die Wahrheit öffnen…</translation>
    </message>
    <message>
        <source>&amp;Open…</source>
        <translation>Ö&amp;ffnen…</translation>
    </message>
    <message>
        <source>Order of the candidates</source>
        <translation>Reihenfolge der Kandidaten</translation>
    </message>
    <message>
        <source>&amp;Other figure on the heads</source>
        <translation>Anderer &amp;Wert auf den Köpfen</translation>
    </message>
    <message>
        <source>Other head</source>
        <translation>Anderer Kopf</translation>
    </message>
    <message>
        <source>other way</source>
        <translation>andere Richtung</translation>
    </message>
    <message>
        <source>others</source>
        <translation>andere</translation>
    </message>
    <message>
        <source>overall</source>
        <translation>über alles</translation>
    </message>
    <message>
        <source>own o&amp;rder of places</source>
        <translation>eigene &amp;Reihenfolge</translation>
    </message>
    <message>
        <source>Pages of the bare head</source>
        <translation>Seiten des nackten Kopfs</translation>
    </message>
    <message>
        <source>Pages of the manual</source>
        <translation>Seiten des Handbuchs</translation>
    </message>
    <message>
        <source>Pages of the rocker</source>
        <translation>Seiten des Kipphebels</translation>
    </message>
    <message>
        <source>Pages of {0}</source>
        <translation>Seiten von {0}</translation>
    </message>
    <message>
        <source>paint: {0}</source>
        <translation>Farbe: {0}</translation>
    </message>
    <message>
        <source>Part to ask about</source>
        <translation>Teil, nach dem gefragt wird</translation>
    </message>
    <message>
        <source>parts changed</source>
        <translation>geänderte Teile</translation>
    </message>
    <message>
        <source>Parts of the head</source>
        <translation>Teile des Kopfs</translation>
    </message>
    <message>
        <source>Parts of the shelf</source>
        <translation>Teile des Regals</translation>
    </message>
    <message>
        <source>Passes</source>
        <translation>Läufe</translation>
    </message>
    <message>
        <source>passes</source>
        <translation>besteht</translation>
    </message>
    <message>
        <source>Paste a column (Ctrl+V)</source>
        <translation>Eine Spalte einfügen (Strg+V)</translation>
    </message>
    <message>
        <source>Paste a row</source>
        <translation>Eine Zeile einfügen</translation>
    </message>
    <message>
        <source>Pattern, torque, lubricant and what is pulled again after the first heat are the manual's: none is invented here. Without an own order it goes from the middle out, crosswise, in equal steps. A ring marks a bolt that enters water: sealer on its thread.</source>
        <translation>Muster, Drehmoment, Schmierstoff und was nach dem ersten Warmlauf nachgezogen wird, sagt das Handbuch: nichts wird hier erfunden. Ohne eigene Folge geht es von der Mitte nach außen, über Kreuz, in gleichen Stufen. Ein Ring bezeichnet eine Schraube, die ins Wasser geht: Dichtmittel aufs Gewinde.</translation>
    </message>
    <message>
        <source>Piston and valve</source>
        <translation>Kolben und Ventil</translation>
    </message>
    <message>
        <source>piston stop</source>
        <translation>Kolbenanschlag</translation>
    </message>
    <message>
        <source>Piston to valve over the crank</source>
        <translation>Kolben zu Ventil über der Kurbel</translation>
    </message>
    <message>
        <source>place</source>
        <translation>Stelle</translation>
    </message>
    <message>
        <source>places that enter &amp;water</source>
        <translation>Stellen, die ins &amp;Wasser gehen</translation>
    </message>
    <message>
        <source>plane of this head at</source>
        <translation>Ebene dieses Kopfs bei</translation>
    </message>
    <message>
        <source>Play</source>
        <translation>Abspielen</translation>
    </message>
    <message>
        <source>Plugs out, ignition off, hands clear of belts and chains. Turn by hand, the engine's own way.</source>
        <translation>Kerzen heraus, Zündung aus, Hände weg von Riemen und Ketten. Von Hand drehen, in der Laufrichtung des Motors.</translation>
    </message>
    <message>
        <source>Pockets and allowances</source>
        <translation>Taschen und Zuschläge</translation>
    </message>
    <message>
        <source>Ports</source>
        <translation>Kanäle</translation>
    </message>
    <message>
        <source>&amp;Previous valve</source>
        <translation>Vori&amp;ges Ventil</translation>
    </message>
    <message>
        <source>Print it…</source>
        <translation>Drucken…</translation>
    </message>
    <message>
        <source>Print the book…</source>
        <translation>Das Buch drucken…</translation>
    </message>
    <message>
        <source>&amp;Print…</source>
        <translation>&amp;Drucken…</translation>
    </message>
    <message>
        <source>Prove it now</source>
        <translation>Jetzt prüfen</translation>
    </message>
    <message>
        <source>pulled a&amp;gain after heat</source>
        <translation>nach dem Warmlauf &amp;nachgezogen</translation>
    </message>
    <message>
        <source>Pushrod finder</source>
        <translation>Stößelstangen finden</translation>
    </message>
    <message>
        <source>pushrod lengths in stock</source>
        <translation>vorrätige Stößelstangenlängen</translation>
    </message>
    <message>
        <source>Pushrod or stand tried</source>
        <translation>Probierte Stößelstange oder Auflage</translation>
    </message>
    <message>
        <source>Pushrods</source>
        <translation>Stößelstangen</translation>
    </message>
    <message>
        <source>Pushrods by each rule, and in stock</source>
        <translation>Stößelstangen nach jeder Regel, und vorrätige</translation>
    </message>
    <message>
        <source>Put in &amp;another…</source>
        <translation>Ein &amp;anderes einsetzen…</translation>
    </message>
    <message>
        <source>Put it in all the same</source>
        <translation>Trotzdem einsetzen</translation>
    </message>
    <message>
        <source>Put it on the desk?</source>
        <translation>Auf den Tisch legen?</translation>
    </message>
    <message>
        <source>Put it right, then look again.</source>
        <translation>In Ordnung bringen, dann wieder ansehen.</translation>
    </message>
    <message>
        <source>Put the chosen one &amp;in</source>
        <translation>Das gewählte &amp;einsetzen</translation>
    </message>
    <message>
        <source>&amp;Quit</source>
        <translation>&amp;Beenden</translation>
    </message>
    <message>
        <source>ratio</source>
        <translation>Übersetzung</translation>
    </message>
    <message>
        <source>ratio change</source>
        <translation>andere Übersetzung</translation>
    </message>
    <message>
        <source>ratio tried</source>
        <translation>Übersetzung probiert</translation>
    </message>
    <message>
        <source>ratio wanted:</source>
        <translation>gewünschtes Verhältnis:</translation>
    </message>
    <message>
        <source>Ratios, 1.5 to 1.7</source>
        <translation>Übersetzungen, 1,5 bis 1,7</translation>
    </message>
    <message>
        <source>Re&amp;do</source>
        <translation>&amp;Wiederherstellen</translation>
    </message>
    <message>
        <source>read</source>
        <translation>lesen</translation>
    </message>
    <message>
        <source>Read files…</source>
        <translation>Dateien lesen…</translation>
    </message>
    <message>
        <source>Read lash in this order</source>
        <translation>Spiel in dieser Folge messen</translation>
    </message>
    <message>
        <source>Read seat loads in this order</source>
        <translation>Federkräfte in dieser Folge messen</translation>
    </message>
    <message>
        <source>Read the seat load with a lever tester at the bar below, every valve, right after assembly and from time to time. Each small picture is one valve from its first day to the last, the line its baseline, the dashed one 7 percent below it.</source>
        <translation>Die Federkraft geschlossen mit einem Hebelprüfer unten in der Leiste messen, an jedem Ventil, gleich nach dem Zusammenbau und von Zeit zu Zeit. Jedes kleine Bild ist ein Ventil vom ersten Tag bis zum letzten, die Linie sein Ausgangswert, die gestrichelte 7 Prozent darunter.</translation>
    </message>
    <message>
        <source>Reading</source>
        <translation>Messwert</translation>
    </message>
    <message>
        <source>Reading {0}…</source>
        <translation>{0} wird gelesen…</translation>
    </message>
    <message>
        <source>Readings here</source>
        <translation>Messwerte hier</translation>
    </message>
    <message>
        <source>&amp;Readings here…</source>
        <translation>&amp;Messwerte hier…</translation>
    </message>
    <message>
        <source>Readings of the bare head at every valve</source>
        <translation>Messwerte des nackten Kopfs an jedem Ventil</translation>
    </message>
    <message>
        <source>Readings of the chosen quantity at every place</source>
        <translation>Messwerte der gewählten Größe an jeder Stelle</translation>
    </message>
    <message>
        <source>Readings that were confirmed stay on the disk in any case; facts are lost without saving.</source>
        <translation>Bestätigte Messwerte bleiben auf jeden Fall auf der Platte; Angaben gehen ohne Speichern verloren.</translation>
    </message>
    <message>
        <source>Reason of the chosen margin</source>
        <translation>Grund der gewählten Reserve</translation>
    </message>
    <message>
        <source>Record</source>
        <translation>Eintragen</translation>
    </message>
    <message>
        <source>Record calibration</source>
        <translation>Kalibrierung eintragen</translation>
    </message>
    <message>
        <source>Record centreline</source>
        <translation>Spreizung eintragen</translation>
    </message>
    <message>
        <source>Record mark</source>
        <translation>Spur eintragen</translation>
    </message>
    <message>
        <source>Record shims as fitted</source>
        <translation>Scheiben als eingebaut eintragen</translation>
    </message>
    <message>
        <source>Record what it sends</source>
        <translation>Aufzeichnen, was es sendet</translation>
    </message>
    <message>
        <source>Record what was cut</source>
        <translation>Eintragen, was abgetragen wurde</translation>
    </message>
    <message>
        <source>&amp;Record: {0}</source>
        <translation>&amp;Eintragen: {0}</translation>
    </message>
    <message>
        <source>Recorded in {0}.</source>
        <translation>Aufgezeichnet in {0}.</translation>
    </message>
    <message>
        <source>Record…</source>
        <translation>Aufzeichnen…</translation>
    </message>
    <message>
        <source>Recover</source>
        <translation>Wiederherstellen</translation>
    </message>
    <message>
        <source>Recover it?</source>
        <translation>Wiederherstellen?</translation>
    </message>
    <message>
        <source>Reedmace 366, a pushrod V8</source>
        <translation>Reedmace 366, ein V8 mit Stößelstangen</translation>
    </message>
    <message>
        <source>reference spring</source>
        <translation>Prüffeder</translation>
    </message>
    <message>
        <source>reference spring, its number</source>
        <translation>Prüffeder, ihre Nummer</translation>
    </message>
    <message>
        <source>Reference springs</source>
        <translation>Prüffedern</translation>
    </message>
    <message>
        <source>Reset to stated</source>
        <translation>Zurück auf das Angegebene</translation>
    </message>
    <message>
        <source>Reset to the job</source>
        <translation>Zurück auf die Arbeit</translation>
    </message>
    <message>
        <source>&amp;Restore the backup…</source>
        <translation>Die Sicherung &amp;zurückholen…</translation>
    </message>
    <message>
        <source>Retainers</source>
        <translation>Federteller</translation>
    </message>
    <message>
        <source>&amp;Rocker</source>
        <translation>&amp;Kipphebel</translation>
    </message>
    <message>
        <source>Rocker</source>
        <translation>Kipphebel</translation>
    </message>
    <message>
        <source>Rocker, pushrod and tip, to scale; draw the mark that was seen on the tip</source>
        <translation>Kipphebel, Stößelstange und Ventilende, maßstäblich; die gesehene Spur auf das Ende zeichnen</translation>
    </message>
    <message>
        <source>Rockers</source>
        <translation>Kipphebel</translation>
    </message>
    <message>
        <source>rods: not stated</source>
        <translation>Pleuel: nicht angegeben</translation>
    </message>
    <message>
        <source>Route</source>
        <translation>Ablauf</translation>
    </message>
    <message>
        <source>row</source>
        <translation>Zeile</translation>
    </message>
    <message>
        <source>Row {0} is left out. Ctrl+Z counts it again.</source>
        <translation>Zeile {0} ist weggelassen. Strg+Z zählt sie wieder.</translation>
    </message>
    <message>
        <source>Runs, hours or passes, work, parts, lash and loads as they were found, what was noticed, what the customer decided. Top-end power that goes away asks for a spring check. Nothing here is altered: what is wrong is taken back, and stays in the book as that.</source>
        <translation>Läufe, Stunden oder Rennen, Arbeiten, Teile, Spiel und Kräfte, wie sie gefunden wurden, was auffiel, was der Kunde entschied. Leistung, die oben heraus fehlt, verlangt eine Federprüfung. Nichts wird hier geändert: was falsch ist, wird zurückgenommen und bleibt als solches im Buch.</translation>
    </message>
    <message>
        <source>S&amp;maller</source>
        <translation>Kle&amp;iner</translation>
    </message>
    <message>
        <source>&amp;Save</source>
        <translation>&amp;Speichern</translation>
    </message>
    <message>
        <source>Save</source>
        <translation>Speichern</translation>
    </message>
    <message>
        <source>Save &amp;as…</source>
        <translation>Speichern &amp;unter…</translation>
    </message>
    <message>
        <source>Save a &amp;table or drawing of this page…</source>
        <translation>Eine &amp;Tabelle oder Zeichnung dieser Seite speichern…</translation>
    </message>
    <message>
        <source>Save a bench card</source>
        <translation>Eine Werkbankkarte speichern</translation>
    </message>
    <message>
        <source>Save a bench card…</source>
        <translation>Eine Werkbankkarte speichern…</translation>
    </message>
    <message>
        <source>Save as CSV</source>
        <translation>Als CSV speichern</translation>
    </message>
    <message>
        <source>Save as CSV…</source>
        <translation>Als CSV speichern…</translation>
    </message>
    <message>
        <source>Save as SVG, PNG or CSV… (S)</source>
        <translation>Als SVG, PNG oder CSV speichern… (S)</translation>
    </message>
    <message>
        <source>Save curves…</source>
        <translation>Kurven speichern…</translation>
    </message>
    <message>
        <source>Save drawing…</source>
        <translation>Zeichnung speichern…</translation>
    </message>
    <message>
        <source>Save elsewhere…</source>
        <translation>Anderswo speichern…</translation>
    </message>
    <message>
        <source>Save from this page</source>
        <translation>Von dieser Seite speichern</translation>
    </message>
    <message>
        <source>Save its list…</source>
        <translation>Die Liste speichern…</translation>
    </message>
    <message>
        <source>Save the book as text…</source>
        <translation>Das Buch als Text speichern…</translation>
    </message>
    <message>
        <source>Save the chart</source>
        <translation>Das Diagramm speichern</translation>
    </message>
    <message>
        <source>Save the drawing</source>
        <translation>Die Zeichnung speichern</translation>
    </message>
    <message>
        <source>Save the engine</source>
        <translation>Den Motor speichern</translation>
    </message>
    <message>
        <source>Save the order…</source>
        <translation>Den Auftrag speichern…</translation>
    </message>
    <message>
        <source>Saved: {0}</source>
        <translation>Gespeichert: {0}</translation>
    </message>
    <message>
        <source>Saved: {0}. What stood there before is its backup.</source>
        <translation>Gespeichert: {0}. Was vorher dort stand, ist die Sicherung.</translation>
    </message>
    <message>
        <source>&amp;Save…</source>
        <translation>&amp;Speichern…</translation>
    </message>
    <message>
        <source>Seals</source>
        <translation>Schaftdichtungen</translation>
    </message>
    <message>
        <source>Search</source>
        <translation>Suchen</translation>
    </message>
    <message>
        <source>Search all pages</source>
        <translation>Alle Seiten durchsuchen</translation>
    </message>
    <message>
        <source>search all pages</source>
        <translation>alle Seiten durchsuchen</translation>
    </message>
    <message>
        <source>Seat load of every valve over the engine's life</source>
        <translation>Federkraft geschlossen an jedem Ventil über das Leben des Motors</translation>
    </message>
    <message>
        <source>Seat load on the engine</source>
        <translation>Federkraft am Motor</translation>
    </message>
    <message>
        <source>seat loads as alike as can be</source>
        <translation>Sitzkräfte so gleich wie möglich</translation>
    </message>
    <message>
        <source>Send</source>
        <translation>Senden</translation>
    </message>
    <message>
        <source>Send it closed</source>
        <translation>Geschlossen senden</translation>
    </message>
    <message>
        <source>Set aside</source>
        <translation>Zurückgelegt</translation>
    </message>
    <message>
        <source>Set beside others</source>
        <translation>Neben andere stellen</translation>
    </message>
    <message>
        <source>Set the bench up</source>
        <translation>Werkbank einrichten</translation>
    </message>
    <message>
        <source>Set to fit</source>
        <translation>Einzubauender Satz</translation>
    </message>
    <message>
        <source>Shelf</source>
        <translation>Regal</translation>
    </message>
    <message>
        <source>Shelf to search</source>
        <translation>Regal, das durchsucht wird</translation>
    </message>
    <message>
        <source>Shi&amp;m plan</source>
        <translation>&amp;Scheibenplan</translation>
    </message>
    <message>
        <source>shim alone</source>
        <translation>nur Scheiben</translation>
    </message>
    <message>
        <source>Shim plan</source>
        <translation>Scheibenplan</translation>
    </message>
    <message>
        <source>Shims</source>
        <translation>Scheiben</translation>
    </message>
    <message>
        <source>Shims in stock</source>
        <translation>Vorrätige Scheiben</translation>
    </message>
    <message>
        <source>Shims in stock under outer springs; a blank count is as many as are wanted:</source>
        <translation>Vorrätige Scheiben unter äußeren Federn; eine leere Anzahl heißt: beliebig viele:</translation>
    </message>
    <message>
        <source>Shopping and machining</source>
        <translation>Einkauf und Bearbeitung</translation>
    </message>
    <message>
        <source>Show all (Home)</source>
        <translation>Alles zeigen (Pos1)</translation>
    </message>
    <message>
        <source>shown and typed in</source>
        <translation>gezeigt und getippt in</translation>
    </message>
    <message>
        <source>Si&amp;gn for this finding…</source>
        <translation>Für diesen Befund &amp;unterschreiben…</translation>
    </message>
    <message>
        <source>Side by side</source>
        <translation>Nebeneinander</translation>
    </message>
    <message>
        <source>Sign</source>
        <translation>Unterschreiben</translation>
    </message>
    <message>
        <source>Simulated &amp;bench, for practice…</source>
        <translation>&amp;Simulierte Werkbank, zum Üben…</translation>
    </message>
    <message>
        <source>Simulated bench – Honest Lift</source>
        <translation>Simulierte Werkbank – Honest Lift</translation>
    </message>
    <message>
        <source>simulated stand-in, an invented lobe</source>
        <translation>simulierter Ersatz, ein erfundener Nocken</translation>
    </message>
    <message>
        <source>smallest seat load</source>
        <translation>kleinste Sitzkraft</translation>
    </message>
    <message>
        <source>sold:</source>
        <translation>im Handel:</translation>
    </message>
    <message>
        <source>solid lifter</source>
        <translation>starrer Stößel</translation>
    </message>
    <message>
        <source>Something else was &amp;changed here…</source>
        <translation>Hier wurde etwas anderes ge&amp;ändert…</translation>
    </message>
    <message>
        <source>Something has changed since. Calculate again.</source>
        <translation>Seitdem hat sich etwas geändert. Nochmals rechnen.</translation>
    </message>
    <message>
        <source>Something has changed since. Search again.</source>
        <translation>Seitdem hat sich etwas geändert. Nochmals suchen.</translation>
    </message>
    <message>
        <source>Something has changed since: work the plan out again.</source>
        <translation>Seitdem hat sich etwas geändert: den Plan nochmals rechnen.</translation>
    </message>
    <message>
        <source>something noticed</source>
        <translation>etwas fiel auf</translation>
    </message>
    <message>
        <source>Something slipped</source>
        <translation>Etwas ist schiefgegangen</translation>
    </message>
    <message>
        <source>&amp;Sound with readings</source>
        <translation>&amp;Ton bei Messwerten</translation>
    </message>
    <message>
        <source>Spark plugs out, wheel on the crank, pointer near TDC. Angles as the wheel shows them, later positive: -28, or 28 BTDC, or 332. The indicator is on the lifter, along its axis; a hydraulic lifter is changed for a solid one.</source>
        <translation>Zündkerzen heraus, Scheibe auf der Kurbelwelle, Zeiger nahe OT. Winkel, wie die Scheibe sie zeigt, spät ist positiv: -28, oder 28 BTDC, oder 332. Die Messuhr steht auf dem Stößel, längs seiner Achse; ein Hydrostößel wird gegen einen starren getauscht.</translation>
    </message>
    <message>
        <source>Spee&amp;d</source>
        <translation>Dreh&amp;zahl</translation>
    </message>
    <message>
        <source>Speed</source>
        <translation>Drehzahl</translation>
    </message>
    <message>
        <source>&amp;Spring bench</source>
        <translation>&amp;Federprüfung</translation>
    </message>
    <message>
        <source>Spring bench</source>
        <translation>Federprüfung</translation>
    </message>
    <message>
        <source>Spring cards</source>
        <translation>Federkarten</translation>
    </message>
    <message>
        <source>spring change</source>
        <translation>andere Federn</translation>
    </message>
    <message>
        <source>Spring seats</source>
        <translation>Federsitze</translation>
    </message>
    <message>
        <source>Spring sets</source>
        <translation>Federsätze</translation>
    </message>
    <message>
        <source>spring {0}</source>
        <translation>Feder {0}</translation>
    </message>
    <message>
        <source>Spring {0} of {1} changes places with</source>
        <translation>Feder {0} von {1} tauscht den Platz mit</translation>
    </message>
    <message>
        <source>Springs</source>
        <translation>Federn</translation>
    </message>
    <message>
        <source>Springs and &amp;heights</source>
        <translation>Federn und &amp;Höhen</translation>
    </message>
    <message>
        <source>Springs and heights</source>
        <translation>Federn und Höhen</translation>
    </message>
    <message>
        <source>springs as they are fitted</source>
        <translation>Federn, wie sie eingebaut sind</translation>
    </message>
    <message>
        <source>Springs in hand</source>
        <translation>Vorhandene Federn</translation>
    </message>
    <message>
        <source>Springs of the plan</source>
        <translation>Federn des Plans</translation>
    </message>
    <message>
        <source>state the red line and the masses: nothing is counted without them</source>
        <translation>Drehzahlgrenze und Massen angeben: ohne sie wird nichts gerechnet</translation>
    </message>
    <message>
        <source>Stated figures</source>
        <translation>Angegebene Werte</translation>
    </message>
    <message>
        <source>Stay</source>
        <translation>Bleiben</translation>
    </message>
    <message>
        <source>steel rods</source>
        <translation>Stahlpleuel</translation>
    </message>
    <message>
        <source>Steps of the job</source>
        <translation>Schritte der Arbeit</translation>
    </message>
    <message>
        <source>Stiffness</source>
        <translation>Steifigkeit</translation>
    </message>
    <message>
        <source>Stiffness of this train: {0} ±{1}.</source>
        <translation>Steifigkeit dieses Ventiltriebs: {0} ±{1}.</translation>
    </message>
    <message>
        <source>Still in, and out before this is ticked: {0}.</source>
        <translation>Noch eingebaut, und heraus, bevor dies abgehakt wird: {0}.</translation>
    </message>
    <message>
        <source>Stop</source>
        <translation>Halt</translation>
    </message>
    <message>
        <source>stop reading, {0}</source>
        <translation>Anschlag, {0}</translation>
    </message>
    <message>
        <source>Stop the recorder</source>
        <translation>Aufzeichnen beenden</translation>
    </message>
    <message>
        <source>Stri&amp;ke the reading out…</source>
        <translation>Den Messwert s&amp;treichen…</translation>
    </message>
    <message>
        <source>Strike out</source>
        <translation>Streichen</translation>
    </message>
    <message>
        <source>Strike out…</source>
        <translation>Streichen…</translation>
    </message>
    <message>
        <source>Strike the table out</source>
        <translation>Die Tabelle streichen</translation>
    </message>
    <message>
        <source>struck out</source>
        <translation>gestrichen</translation>
    </message>
    <message>
        <source>Surge</source>
        <translation>Schwingen</translation>
    </message>
    <message>
        <source>suspect rows</source>
        <translation>verdächtige Zeilen</translation>
    </message>
    <message>
        <source>Sweep</source>
        <translation>Hochlauf</translation>
    </message>
    <message>
        <source>Take it away</source>
        <translation>Wegnehmen</translation>
    </message>
    <message>
        <source>Take it back</source>
        <translation>Zurücknehmen</translation>
    </message>
    <message>
        <source>Take the shelf “{0}” away with every part on it?</source>
        <translation>Das Regal „{0}“ mit jedem Teil darauf wegnehmen?</translation>
    </message>
    <message>
        <source>Taken down: the turn is timed by it from here on.</source>
        <translation>Eingetragen: von hier an ist die Umdrehung danach eingestellt.</translation>
    </message>
    <message>
        <source>Target ratio</source>
        <translation>Zielverhältnis</translation>
    </message>
    <message>
        <source>Tester</source>
        <translation>Prüfgerät</translation>
    </message>
    <message>
        <source>tester</source>
        <translation>Federprüfgerät</translation>
    </message>
    <message>
        <source>Text</source>
        <translation>Text</translation>
    </message>
    <message>
        <source>{0} {1} would be the usual {2}: are {1} meant? Type it again to take it in {3}.</source>
        <translation>{0} {1} wären das übliche {2}: sind {1} gemeint? Noch einmal eintippen nimmt es in {3}.</translation>
    </message>
    <message>
        <source>millimetres</source>
        <translation>Millimeter</translation>
    </message>
    <message>
        <source>inches</source>
        <translation>Zoll</translation>
    </message>
    <message>
        <source>Corrected, or another part?</source>
        <translation>Berichtigt, oder ein anderes Teil?</translation>
    </message>
    <message>
        <source>Another part is fitted</source>
        <translation>Ein anderes Teil ist eingebaut</translation>
    </message>
    <message>
        <source>It was always so</source>
        <translation>Es war immer so</translation>
    </message>
    <message>
        <source>Leave it as it was</source>
        <translation>Lassen, wie es war</translation>
    </message>
    <message>
        <source>There is a file already</source>
        <translation>Es gibt schon eine Datei</translation>
    </message>
    <message>
        <source>That many turns make a length no pushrod has.</source>
        <translation>So viele Umdrehungen ergeben eine Länge, die keine Stößelstange hat.</translation>
    </message>
    <message>
        <source>The backup is on the desk, not saved yet: saving puts it in place of the file.</source>
        <translation>Die Sicherung liegt auf dem Tisch, noch nicht gespeichert: Speichern setzt sie an die Stelle der Datei.</translation>
    </message>
    <message>
        <source>the bench</source>
        <translation>die Werkbank</translation>
    </message>
    <message>
        <source>The bench can't be started: run honest-lift gauges.</source>
        <translation>Die Werkbank lässt sich nicht starten: honest-lift gauges aufrufen.</translation>
    </message>
    <message>
        <source>The bench opens in a window of its own; its tools are heard here as real ones are.</source>
        <translation>Die Werkbank öffnet sich in einem eigenen Fenster; ihre Werkzeuge werden hier wie echte gehört.</translation>
    </message>
    <message>
        <source>The book</source>
        <translation>Das Buch</translation>
    </message>
    <message>
        <source>the calibration before each reading</source>
        <translation>Kalibrierung vor jedem Messwert</translation>
    </message>
    <message>
        <source>the calibration of {0}</source>
        <translation>die Kalibrierung von {0}</translation>
    </message>
    <message>
        <source>The cam card</source>
        <translation>Die Nockenwellenkarte</translation>
    </message>
    <message>
        <source>the card says</source>
        <translation>die Karte sagt</translation>
    </message>
    <message>
        <source>The current valve's spring, closed and open, to scale</source>
        <translation>Die Feder des gewählten Ventils, geschlossen und offen, maßstäblich</translation>
    </message>
    <message>
        <source>The engine is still being calculated.</source>
        <translation>Der Motor wird noch gerechnet.</translation>
    </message>
    <message>
        <source>The engine you measured</source>
        <translation>Der Motor, den Sie gemessen haben</translation>
    </message>
    <message>
        <source> The facts of the file are others by now, and these would take their place.</source>
        <translation> Die Angaben der Datei sind inzwischen andere, und diese würden an ihre Stelle treten.</translation>
    </message>
    <message>
        <source>The fewest stops of the crank at which every valve is shut with its lifter on the base circle, for this firing order and this cam. Lash, the lever tester and shims are read there.</source>
        <translation>Die wenigsten Halte der Kurbelwelle, bei denen jedes Ventil mit seinem Stößel auf dem Grundkreis geschlossen steht, für diese Zündfolge und diese Nockenwelle. Spiel, Hebelprüfer und Scheiben werden dort gemessen.</translation>
    </message>
    <message>
        <source>The file has changed</source>
        <translation>Die Datei hat sich geändert</translation>
    </message>
    <message>
        <source>The file holds “{0}”{1}. Entries that the desk lacks: {2}; that the file lacks: {3}. Its facts are {4}.</source>
        <translation>Die Datei enthält „{0}“{1}. Einträge, die hier fehlen: {2}; die der Datei fehlen: {3}. Ihre Angaben sind {4}.</translation>
    </message>
    <message>
        <source>the folder of journals</source>
        <translation>der Ordner der Journale</translation>
    </message>
    <message>
        <source>The gear before the change, thin, and after it</source>
        <translation>Der Ventiltrieb vor der Änderung, dünn, und danach</translation>
    </message>
    <message>
        <source>the gear's dimensions are not stated yet</source>
        <translation>die Maße des Ventiltriebs sind noch nicht angegeben</translation>
    </message>
    <message>
        <source>The highest speed of a rigid train is {0}.</source>
        <translation>Die höchste Drehzahl eines starren Ventiltriebs ist {0}.</translation>
    </message>
    <message>
        <source>the lobe runs over the finger toward the pivot</source>
        <translation>der Nocken läuft über den Schlepphebel zum Drehpunkt hin</translation>
    </message>
    <message>
        <source>the lobe runs over the finger toward the valve</source>
        <translation>der Nocken läuft über den Schlepphebel zum Ventil hin</translation>
    </message>
    <message>
        <source>The min load is above the max; one of them is mistyped.</source>
        <translation>Die kleinste Kraft liegt über der größten; eine davon ist vertippt.</translation>
    </message>
    <message>
        <source>The page</source>
        <translation>Die Seite</translation>
    </message>
    <message>
        <source>The rocker's plane</source>
        <translation>Die Ebene des Kipphebels</translation>
    </message>
    <message>
        <source>The route, item by item</source>
        <translation>Der Ablauf, Punkt für Punkt</translation>
    </message>
    <message>
        <source>the rule shows {0}</source>
        <translation>der Maßstab zeigt {0}</translation>
    </message>
    <message>
        <source>The rules need the gear's dimensions; Geometry says which are missing.</source>
        <translation>Die Regeln brauchen die Maße des Ventiltriebs; Geometrie sagt, welche fehlen.</translation>
    </message>
    <message>
        <source>the same</source>
        <translation>dieselben</translation>
    </message>
    <message>
        <source>The same four with its book: its runs, seat loads on the engine, a spring going away.</source>
        <translation>Derselbe Vierzylinder mit seinem Buch: seine Läufe, Federkräfte am Motor, eine Feder, die nachlässt.</translation>
    </message>
    <message>
        <source>The shelf has changed since. Search again.</source>
        <translation>Das Regal hat sich seitdem geändert. Nochmals suchen.</translation>
    </message>
    <message>
        <source>The shim plan, pocket by pocket</source>
        <translation>Der Scheibenplan, Tasche für Tasche</translation>
    </message>
    <message>
        <source>the shop's own</source>
        <translation>der eigene der Werkstatt</translation>
    </message>
    <message>
        <source>The table as it was read</source>
        <translation>Die Tabelle, wie sie gelesen wurde</translation>
    </message>
    <message>
        <source>The tool taken when a reading names none:</source>
        <translation>Das Werkzeug, wenn ein Messwert keins nennt:</translation>
    </message>
    <message>
        <source>The train bends, the spring surges, the seat bounces: simulated over speed. It ranks what is fitted and shows what matters. Near and above float the motion is chaotic: read bands there, not digits.</source>
        <translation>Der Ventiltrieb biegt sich, die Feder schwingt, der Sitz lässt springen: über der Drehzahl simuliert. Es ordnet, was eingebaut ist, und zeigt, worauf es ankommt. Nahe am Abheben und darüber ist die Bewegung chaotisch: dort Bänder lesen, keine Ziffern.</translation>
    </message>
    <message>
        <source>the wheel shows {0:.1f}°</source>
        <translation>die Gradscheibe zeigt {0:.1f}°</translation>
    </message>
    <message>
        <source>The whole &amp;finding, and back</source>
        <translation>Der ganze &amp;Befund, und zurück</translation>
    </message>
    <message>
        <source>The window of installed heights of every pocket</source>
        <translation>Das Höhenfenster jeder Tasche</translation>
    </message>
    <message>
        <source>There is no figure yet, so it has no uncertainty.</source>
        <translation>Noch kein Wert, also keine Unsicherheit.</translation>
    </message>
    <message>
        <source>There is no place to measure yet: lay out the heads under Engine and parts.</source>
        <translation>Noch keine Stelle zum Messen: unter Motor und Teile die Köpfe anlegen.</translation>
    </message>
    <message>
        <source>There is no place to paste to yet: lay out the heads under Engine and parts.</source>
        <translation>Noch keine Stelle zum Einfügen: unter Motor und Teile die Köpfe anlegen.</translation>
    </message>
    <message>
        <source>There is no reading here.</source>
        <translation>Hier ist kein Messwert.</translation>
    </message>
    <message>
        <source>There is no set of springs yet: add one under Engine and parts, Springs.</source>
        <translation>Noch kein Federsatz: unter Motor und Teile, Federn einen anlegen.</translation>
    </message>
    <message>
        <source>There is no shelf: add one, or lay the invented one out.</source>
        <translation>Es gibt kein Regal: eins hinzufügen oder das erfundene auslegen.</translation>
    </message>
    <message>
        <source>There is no table and no drawing on this page.</source>
        <translation>Auf dieser Seite ist keine Tabelle und keine Zeichnung.</translation>
    </message>
    <message>
        <source>There is nothing on the chart yet: {0}.</source>
        <translation>Auf dem Diagramm ist noch nichts: {0}.</translation>
    </message>
    <message>
        <source>There is nothing to keep yet: choose a change.</source>
        <translation>Noch nichts zu behalten: eine Änderung wählen.</translation>
    </message>
    <message>
        <source>There is nothing to measure here yet.</source>
        <translation>Hier ist noch nichts zu messen.</translation>
    </message>
    <message>
        <source>These values make no sense and are set aside; the rest of the file is open:</source>
        <translation>Diese Werte ergeben keinen Sinn und sind zurückgelegt; der Rest der Datei ist offen:</translation>
    </message>
    <message>
        <source>thickness, {0}</source>
        <translation>Dicke, {0}</translation>
    </message>
    <message>
        <source>This bolt is pulled</source>
        <translation>Diese Schraube ist angezogen</translation>
    </message>
    <message>
        <source>This engine has changes that are not saved.</source>
        <translation>Dieser Motor hat Änderungen, die nicht gespeichert sind.</translation>
    </message>
    <message>
        <source>This engine is laid out already: Engine, New engine (Ctrl+N) begins another.</source>
        <translation>Dieser Motor ist schon angelegt: Motor, Neuer Motor (Strg+N) beginnt einen anderen.</translation>
    </message>
    <message>
        <source>This engine's figures inside the chosen limit</source>
        <translation>Die Werte dieses Motors in der gewählten Grenze</translation>
    </message>
    <message>
        <source>This file can't be opened</source>
        <translation>Diese Datei lässt sich nicht öffnen</translation>
    </message>
    <message>
        <source>this is the line's own: type another one into the last line</source>
        <translation>dies gehört der Zeile: ein anderes in die letzte Zeile tippen</translation>
    </message>
    <message>
        <source>this line adds up the others: type the amount beside what was changed</source>
        <translation>diese Zeile zählt die anderen zusammen: den Betrag neben das tippen, was geändert wurde</translation>
    </message>
    <message>
        <source>This table can't be read</source>
        <translation>Diese Tabelle lässt sich nicht lesen</translation>
    </message>
    <message>
        <source>This tester was never held against a reference spring: its stated accuracy counts.</source>
        <translation>Dieses Prüfgerät wurde nie gegen eine Prüffeder gehalten: seine angegebene Genauigkeit zählt.</translation>
    </message>
    <message>
        <source>this trial</source>
        <translation>dieser Versuch</translation>
    </message>
    <message>
        <source>This valve with rocker, spring, seal and piston, to scale</source>
        <translation>Dieses Ventil mit Kipphebel, Feder, Dichtung und Kolben, maßstäblich</translation>
    </message>
    <message>
        <source>this valve's lobe is not known yet</source>
        <translation>der Nocken dieses Ventils ist noch nicht bekannt</translation>
    </message>
    <message>
        <source>Through the turn</source>
        <translation>Durch die Umdrehung</translation>
    </message>
    <message>
        <source>throw-away gasket</source>
        <translation>Wegwerfdichtung</translation>
    </message>
    <message>
        <source>Tick</source>
        <translation>Abhaken</translation>
    </message>
    <message>
        <source>Timeline of the engine's life</source>
        <translation>Zeitachse im Leben des Motors</translation>
    </message>
    <message>
        <source>to the set</source>
        <translation>zum Satz</translation>
    </message>
    <message>
        <source>Tolerances</source>
        <translation>Toleranzen</translation>
    </message>
    <message>
        <source>Tolerances of figures stated on a card, where the card gives none:</source>
        <translation>Toleranzen von Kartenwerten, wo die Karte keine nennt:</translation>
    </message>
    <message>
        <source>&amp;tool</source>
        <translation>&amp;Werkzeug</translation>
    </message>
    <message>
        <source>Tool</source>
        <translation>Werkzeug</translation>
    </message>
    <message>
        <source>tool not named</source>
        <translation>Werkzeug nicht genannt</translation>
    </message>
    <message>
        <source>Tools</source>
        <translation>Werkzeuge</translation>
    </message>
    <message>
        <source>torque not stated: the manual's</source>
        <translation>Drehmoment nicht angegeben: das des Handbuchs</translation>
    </message>
    <message>
        <source>Tr&amp;ial</source>
        <translation>&amp;Versuch</translation>
    </message>
    <message>
        <source>Trial</source>
        <translation>Versuch</translation>
    </message>
    <message>
        <source>trial accepted: {0}</source>
        <translation>Versuch übernommen: {0}</translation>
    </message>
    <message>
        <source>Trials kept with this engine</source>
        <translation>Versuche, die bei diesem Motor behalten sind</translation>
    </message>
    <message>
        <source>Tried, not stated: nothing of it is kept. </source>
        <translation>Probiert, nicht angegeben: nichts davon bleibt. </translation>
    </message>
    <message>
        <source>Try the chosen way</source>
        <translation>Den gewählten Weg probieren</translation>
    </message>
    <message>
        <source>   try:</source>
        <translation>   probieren:</translation>
    </message>
    <message>
        <source>try:</source>
        <translation>probieren:</translation>
    </message>
    <message>
        <source>trying…</source>
        <translation>probiert…</translation>
    </message>
    <message>
        <source>Turn against the stop</source>
        <translation>Gegen den Anschlag drehen</translation>
    </message>
    <message>
        <source>Turn plan</source>
        <translation>Drehplan</translation>
    </message>
    <message>
        <source>turns out</source>
        <translation>Umdrehungen heraus</translation>
    </message>
    <message>
        <source>Two members are called {0}: a nest has one of each.</source>
        <translation>Zwei Glieder heißen {0}: ein Paket hat jedes einmal.</translation>
    </message>
    <message>
        <source>Two valves of one role with a number each are needed: number the valves first.</source>
        <translation>Zwei nummerierte Ventile einer Art braucht es: zuerst die Ventile nummerieren.</translation>
    </message>
    <message>
        <source>Two valves with a spring each are needed to exchange springs.</source>
        <translation>Zum Tauschen braucht es zwei Ventile mit je einer Feder.</translation>
    </message>
    <message>
        <source>Type or paste one…</source>
        <translation>Eintippen oder einfügen…</translation>
    </message>
    <message>
        <source>Type the ratio that is wanted and press Enter.</source>
        <translation>Das gewünschte Verhältnis tippen und die Eingabetaste drücken.</translation>
    </message>
    <message>
        <source>Type the ratio that is wanted, as in 11.2.</source>
        <translation>Das gewünschte Verhältnis tippen, wie in 11.2.</translation>
    </message>
    <message>
        <source>type the ratio that is wanted: each way to it stands here with what it costs</source>
        <translation>das gewünschte Verhältnis tippen: jeder Weg dorthin steht hier mit seinem Preis</translation>
    </message>
    <message>
        <source>Type the turns out, and how wide the mark is or where its centre lies, or both.</source>
        <translation>Die Umdrehungen eintippen, und wie breit die Spur ist oder wo ihre Mitte liegt, oder beides.</translation>
    </message>
    <message>
        <source>type the {0} of this line first</source>
        <translation>zuerst {0} dieser Zeile tippen</translation>
    </message>
    <message>
        <source>Type what the card prints, in its own way; leave the rest blank. Lobe lift, ratio, lash and the loads asked for are stated with their tolerances on the engine's own page.</source>
        <translation>Eintippen, was auf der Karte steht, so wie es dort steht; den Rest leer lassen. Nockenhub, Übersetzung, Ventilspiel und die verlangten Kräfte stehen mit ihren Toleranzen auf der Seite des Motors.</translation>
    </message>
    <message>
        <source>Type what was cut, raised or changed since the geometry was measured; a blank counts for nothing. Each line tells the pushrod that puts the same geometry back, what preload changes by if nothing is done, and the mark with the lash reset.</source>
        <translation>Eintippen, was seit dem Messen der Geometrie gefräst, angehoben oder geändert wurde; leer zählt nichts. Jede Zeile nennt die Stößelstange, die dieselbe Geometrie zurückbringt, um wie viel sich die Vorspannung ändert, wenn nichts getan wird, und die Spur mit neu eingestelltem Spiel.</translation>
    </message>
    <message>
        <source>Type what was raised, cut or changed since the dimensions were measured; a blank counts for nothing. Each line tells what gives the lash back, pad or pivot, what the lash is if nothing is done, and where the wipe then lies.</source>
        <translation>Eintippen, was seit dem Messen der Maße angehoben, gefräst oder geändert wurde; leer zählt nichts. Jede Zeile nennt, was das Spiel zurückbringt, Auflage oder Drehpunkt, wie groß das Spiel ist, wenn nichts getan wird, und wo dann gewischt wird.</translation>
    </message>
    <message>
        <source>&amp;Undo</source>
        <translation>&amp;Rückgängig</translation>
    </message>
    <message>
        <source>unit</source>
        <translation>Einheit</translation>
    </message>
    <message>
        <source>Units by dimension</source>
        <translation>Einheiten nach Größe</translation>
    </message>
    <message>
        <source>Unsaved changes</source>
        <translation>Ungespeicherte Änderungen</translation>
    </message>
    <message>
        <source>Unsaved readings can't be looked for</source>
        <translation>Nach ungespeicherten Messwerten kann nicht gesucht werden</translation>
    </message>
    <message>
        <source>Use the shop's</source>
        <translation>Den der Werkstatt nehmen</translation>
    </message>
    <message>
        <source>Va&amp;lves of this seat…</source>
        <translation>&amp;Ventile dieses Sitzes…</translation>
    </message>
    <message>
        <source>Valve heads at this angle, to scale</source>
        <translation>Ventilteller bei diesem Winkel, maßstäblich</translation>
    </message>
    <message>
        <source>valve job</source>
        <translation>Ventile überholen</translation>
    </message>
    <message>
        <source>valve {0}</source>
        <translation>Ventil {0}</translation>
    </message>
    <message>
        <source>Valve {0} changes places with</source>
        <translation>Ventil {0} tauscht den Platz mit</translation>
    </message>
    <message>
        <source>valve {0} sits in it</source>
        <translation>Ventil {0} sitzt darin</translation>
    </message>
    <message>
        <source>Valves</source>
        <translation>Ventile</translation>
    </message>
    <message>
        <source>Valves and seats</source>
        <translation>Ventile und Sitze</translation>
    </message>
    <message>
        <source>Valves in the order of the stops</source>
        <translation>Ventile in der Reihenfolge der Halte</translation>
    </message>
    <message>
        <source>Valves of this seat</source>
        <translation>Ventile dieses Sitzes</translation>
    </message>
    <message>
        <source>Valves that were tried in this seat</source>
        <translation>Ventile, die in diesem Sitz probiert wurden</translation>
    </message>
    <message>
        <source>velocity</source>
        <translation>Geschwindigkeit</translation>
    </message>
    <message>
        <source>&amp;View</source>
        <translation>&amp;Ansicht</translation>
    </message>
    <message>
        <source>Wagtail 1600 after two seasons, its book</source>
        <translation>Wagtail 1600 nach zwei Saisons, sein Buch</translation>
    </message>
    <message>
        <source>Wagtail 1600, a four on buckets</source>
        <translation>Wagtail 1600, ein Vierzylinder mit Tassen</translation>
    </message>
    <message>
        <source>wanted plane of the spring seats, over specification</source>
        <translation>gewünschte Ebene der Federsitze, über Sollmaß</translation>
    </message>
    <message>
        <source>&amp;way</source>
        <translation>&amp;Art der Messung</translation>
    </message>
    <message>
        <source>Way of measuring</source>
        <translation>Art der Messung</translation>
    </message>
    <message>
        <source>Ways to the ratio</source>
        <translation>Wege zum Verhältnis</translation>
    </message>
    <message>
        <source>What degreeing comes to</source>
        <translation>Was das Einmessen ergibt</translation>
    </message>
    <message>
        <source>What each figure is worth in speed</source>
        <translation>Was jeder Wert an Drehzahl bringt</translation>
    </message>
    <message>
        <source>What each trial leaves to its nearest limit</source>
        <translation>Was jeder Versuch bis zur nächsten Grenze lässt</translation>
    </message>
    <message>
        <source>What each way takes, and what it leaves</source>
        <translation>Was jeder Weg kostet und übrig lässt</translation>
    </message>
    <message>
        <source>what else the way asks for</source>
        <translation>was die Messung sonst verlangt</translation>
    </message>
    <message>
        <source>What gauges send</source>
        <translation>Was Messgeräte senden</translation>
    </message>
    <message>
        <source>what gives the lash back</source>
        <translation>was das Spiel zurückbringt</translation>
    </message>
    <message>
        <source>what is being done</source>
        <translation>was getan wird</translation>
    </message>
    <message>
        <source>what is changed</source>
        <translation>was geändert wird</translation>
    </message>
    <message>
        <source>What is in the tester beside the springs</source>
        <translation>Was außer den Federn im Prüfgerät liegt</translation>
    </message>
    <message>
        <source>What is looked at on the way to the running engine, for the job in hand. A hold point can't be ticked while something of it fails or is unproven, unless somebody signs for that finding (Ctrl+I on its rung): the verdict stays what it is. The maker's manual, local rules and qualified people go first.</source>
        <translation>Was auf dem Weg zum laufenden Motor angesehen wird, für die laufende Arbeit. Ein Haltepunkt lässt sich nicht abhaken, solange etwas von ihm durchfällt oder nicht bewiesen ist, außer jemand unterschreibt für den Befund (Strg+I auf seiner Sprosse): das Urteil bleibt, was es ist. Handbuch, örtliche Vorschriften und Fachleute gehen vor.</translation>
    </message>
    <message>
        <source>What is measured</source>
        <translation>Was gemessen wird</translation>
    </message>
    <message>
        <source>What is read on this page, drawn</source>
        <translation>Was auf dieser Seite gemessen wird, gezeichnet</translation>
    </message>
    <message>
        <source>&amp;What is this?</source>
        <translation>Was ist &amp;das?</translation>
    </message>
    <message>
        <source>What is this?</source>
        <translation>Was ist das?</translation>
    </message>
    <message>
        <source>What is wrong, row by row</source>
        <translation>Was nicht stimmt, Zeile für Zeile</translation>
    </message>
    <message>
        <source>What it is and how it is measured</source>
        <translation>Was es ist und wie es gemessen wird</translation>
    </message>
    <message>
        <source>What it rests on</source>
        <translation>Worauf es beruht</translation>
    </message>
    <message>
        <source>what it was; of a picture where it lies</source>
        <translation>was es war; bei einem Bild, wo es liegt</translation>
    </message>
    <message>
        <source>What more would take</source>
        <translation>Was mehr verlangen würde</translation>
    </message>
    <message>
        <source>What moved</source>
        <translation>Was sich bewegt hat</translation>
    </message>
    <message>
        <source>what moved</source>
        <translation>was sich bewegt hat</translation>
    </message>
    <message>
        <source>What moved it</source>
        <translation>Was sich bewegt hat</translation>
    </message>
    <message>
        <source>What moves piston to valve</source>
        <translation>Was Kolben zu Ventil bewegt</translation>
    </message>
    <message>
        <source>What the bench read at each lift, at one depression for all; the port's volume is read at the bar below.</source>
        <translation>Was die Strömungsbank bei jedem Hub las, alle bei einem Unterdruck; das Volumen des Kanals wird unten in der Leiste gemessen.</translation>
    </message>
    <message>
        <source>What the calibration says</source>
        <translation>Was die Kalibrierung sagt</translation>
    </message>
    <message>
        <source>What the card comes to</source>
        <translation>Was die Karte ergibt</translation>
    </message>
    <message>
        <source>What the chambers come to</source>
        <translation>Was die Brennräume ergeben</translation>
    </message>
    <message>
        <source>What the change comes to</source>
        <translation>Was die Änderung ergibt</translation>
    </message>
    <message>
        <source>What the checking pushrod points to</source>
        <translation>Worauf die Prüfstößelstange zeigt</translation>
    </message>
    <message>
        <source>What the curves show</source>
        <translation>Was die Kurven zeigen</translation>
    </message>
    <message>
        <source>what the customer decided</source>
        <translation>was der Kunde entschied</translation>
    </message>
    <message>
        <source>What the finding rests on</source>
        <translation>Worauf der Befund beruht</translation>
    </message>
    <message>
        <source>What the fitted springs allow</source>
        <translation>Was die eingebauten Federn erlauben</translation>
    </message>
    <message>
        <source>What the fitted springs still carry</source>
        <translation>Was die eingebauten Federn noch tragen</translation>
    </message>
    <message>
        <source>What the measured lobe comes to</source>
        <translation>Was der gemessene Nocken ergibt</translation>
    </message>
    <message>
        <source>What the plan reaches</source>
        <translation>Was der Plan erreicht</translation>
    </message>
    <message>
        <source>What the rocker does</source>
        <translation>Was der Kipphebel tut</translation>
    </message>
    <message>
        <source>What the rods are made of</source>
        <translation>Woraus die Pleuel sind</translation>
    </message>
    <message>
        <source>What the search comes to</source>
        <translation>Was die Suche ergibt</translation>
    </message>
    <message>
        <source>What the shim plan comes to</source>
        <translation>Was der Scheibenplan ergibt</translation>
    </message>
    <message>
        <source>What the tester shows</source>
        <translation>Was das Prüfgerät zeigt</translation>
    </message>
    <message>
        <source>What the tester shows at each certified height, since its last calibration:</source>
        <translation>Was das Prüfgerät bei jeder bescheinigten Höhe zeigt, seit der letzten Kalibrierung:</translation>
    </message>
    <message>
        <source>What the tester shows too much, and the line it is corrected by</source>
        <translation>Was das Prüfgerät zu viel zeigt, und die Gerade der Berichtigung</translation>
    </message>
    <message>
        <source>What the valves do around the turn</source>
        <translation>Was die Ventile über die Umdrehung tun</translation>
    </message>
    <message>
        <source>What the ways come to</source>
        <translation>Was die Wege ergeben</translation>
    </message>
    <message>
        <source>What they send, the latest below:</source>
        <translation>Was sie senden, das Jüngste unten:</translation>
    </message>
    <message>
        <source>What this trial comes to</source>
        <translation>Was dieser Versuch ergibt</translation>
    </message>
    <message>
        <source>What this trial moves</source>
        <translation>Was dieser Versuch bewegt</translation>
    </message>
    <message>
        <source>What to measure next</source>
        <translation>Was als Nächstes zu messen ist</translation>
    </message>
    <message>
        <source>What was changed?</source>
        <translation>Was wurde geändert?</translation>
    </message>
    <message>
        <source>What was read here so far is of a valve without a number. Number it first to keep both apart.</source>
        <translation>Was hier bisher gemessen wurde, gehört zu einem Ventil ohne Nummer. Zuerst nummerieren, um beide auseinanderzuhalten.</translation>
    </message>
    <message>
        <source>What was read, against the calculated clearance</source>
        <translation>Was gemessen wurde, gegen den gerechneten Abstand</translation>
    </message>
    <message>
        <source>What was understood</source>
        <translation>Was verstanden wurde</translation>
    </message>
    <message>
        <source>what would move; the engine is not touched; signs in outline are not proven</source>
        <translation>was sich bewegen würde; der Motor bleibt unberührt; umrandete Zeichen sind nicht bewiesen</translation>
    </message>
    <message>
        <source>What would put it right</source>
        <translation>Was es in Ordnung brächte</translation>
    </message>
    <message>
        <source>What:</source>
        <translation>Was:</translation>
    </message>
    <message>
        <source>wheel</source>
        <translation>Scheibe</translation>
    </message>
    <message>
        <source>where</source>
        <translation>wo</translation>
    </message>
    <message>
        <source>Where every spring of its set binds</source>
        <translation>Wo jede Feder ihres Satzes auf Block geht</translation>
    </message>
    <message>
        <source>    where the offset sits</source>
        <translation>    wo der Versatz sitzt</translation>
    </message>
    <message>
        <source>where the offset sits</source>
        <translation>wo der Versatz sitzt</translation>
    </message>
    <message>
        <source>Where the uncertainty comes from</source>
        <translation>Woher die Unsicherheit kommt</translation>
    </message>
    <message>
        <source>which way the cam turns is not stated: timing counts as less sure</source>
        <translation>die Laufrichtung der Nockenwelle ist nicht angegeben: die Steuerzeiten zählen als weniger sicher</translation>
    </message>
    <message>
        <source>which way the cam turns over the finger</source>
        <translation>in welche Richtung der Nocken über den Schlepphebel läuft</translation>
    </message>
    <message>
        <source>why</source>
        <translation>warum</translation>
    </message>
    <message>
        <source>Why a part is not used</source>
        <translation>Warum ein Teil nicht verwendet wird</translation>
    </message>
    <message>
        <source>Why does it no longer count?</source>
        <translation>Warum zählt sie nicht mehr?</translation>
    </message>
    <message>
        <source>Why does {0} not count?</source>
        <translation>Warum zählt {0} nicht?</translation>
    </message>
    <message>
        <source>Windows of the best candidates on one axis, every pocket a dot. Set up to three beside each other under Find: their load curves and ladders are below, each margin at the pocket where it is smallest, in shares of its comfort margin, less its uncertainty.</source>
        <translation>Fenster der besten Kandidaten auf einer Achse, jede Tasche ein Punkt. Unter Suchen bis zu drei nebeneinander stellen: ihre Kraftkurven und Leitern stehen darunter, jede Reserve an der Tasche, wo sie am kleinsten ist, in Teilen ihrer Komfortreserve, weniger ihre Unsicherheit.</translation>
    </message>
    <message>
        <source>Windows of the candidates on one axis of heights</source>
        <translation>Fenster der Kandidaten auf einer Höhenachse</translation>
    </message>
    <message>
        <source>with the &amp;working of every finding, as an appendix</source>
        <translation>mit der &amp;Rechnung jedes Befunds, als Anhang</translation>
    </message>
    <message>
        <source>With the springs, retainers and heights that are fitted: an answer is one in which nothing that passes now stops passing. Each is a trial on a copy of the engine; the limit named is what stops it, or comes nearest to. The sign is the worst of what stops, and green only where all would pass, were they read as predicted: a trial proves nothing.</source>
        <translation>Mit den eingebauten Federn, Tellern und Höhen: eine Antwort ist eine, bei der nichts, was jetzt besteht, aufhört zu bestehen. Jede ist ein Versuch an einer Kopie des Motors; die genannte Grenze hält sie auf oder kommt am nächsten. Das Zeichen ist das schlechteste dessen, was aufhält, und grün nur, wo alles bestünde, würde es wie vorhergesagt gemessen: ein Versuch beweist nichts.</translation>
    </message>
    <message>
        <source>Withdraw</source>
        <translation>Zurückziehen</translation>
    </message>
    <message>
        <source>Witness mark over the length, with what each rule asks for</source>
        <translation>Tragspur über der Länge, mit dem, was jede Regel verlangt</translation>
    </message>
    <message>
        <source>Words of the entry</source>
        <translation>Worte des Eintrags</translation>
    </message>
    <message>
        <source>Words to look for</source>
        <translation>Gesuchte Worte</translation>
    </message>
    <message>
        <source>work done</source>
        <translation>getane Arbeit</translation>
    </message>
    <message>
        <source>Work order</source>
        <translation>Arbeitsauftrag</translation>
    </message>
    <message>
        <source>Working</source>
        <translation>Rechnung</translation>
    </message>
    <message>
        <source>Working of the chosen margin</source>
        <translation>Rechnung der gewählten Reserve</translation>
    </message>
    <message>
        <source>Worst verdict of the &amp;whole valve on the heads</source>
        <translation>S&amp;chlechtestes Urteil des ganzen Ventils auf den Köpfen</translation>
    </message>
    <message>
        <source>Write it down</source>
        <translation>Eintragen</translation>
    </message>
    <message>
        <source>Write over it</source>
        <translation>Überschreiben</translation>
    </message>
    <message>
        <source>Written as: {0}</source>
        <translation>Geschrieben als: {0}</translation>
    </message>
    <message>
        <source>{0} at {1} taken.</source>
        <translation>{0} bei {1} genommen.</translation>
    </message>
    <message>
        <source>{0} belongs to</source>
        <translation>{0} gehört zu</translation>
    </message>
    <message>
        <source>{0} has sent no line yet: let it send one.</source>
        <translation>{0} hat noch keine Zeile gesendet: eine senden lassen.</translation>
    </message>
    <message>
        <source>{0} has this file open, so it can only be read here. Save it under another name to work on it.</source>
        <translation>{0} hat diese Datei offen, darum ist sie hier nur zu lesen. Zum Weiterarbeiten unter anderem Namen speichern.</translation>
    </message>
    <message>
        <source>{0} head</source>
        <translation>Kopf {0}</translation>
    </message>
    <message>
        <source>{0} head, step {1} of {2}, bolt {3} of {4}: {5}.</source>
        <translation>Kopf {0}, Stufe {1} von {2}, Schraube {3} von {4}: {5}.</translation>
    </message>
    <message>
        <source>{0} head: all {1} steps are done: {2}.</source>
        <translation>Kopf {0}: alle {1} Stufen sind erledigt: {2}.</translation>
    </message>
    <message>
        <source>{0} is not listened to: choose its port, and switch it on.</source>
        <translation>{0} wird nicht gehört: Anschluss wählen und einschalten.</translation>
    </message>
    <message>
        <source>{0} is on this shelf already.</source>
        <translation>{0} liegt schon auf diesem Regal.</translation>
    </message>
    <message>
        <source>{0} is under Side by side, one of {1}.</source>
        <translation>{0} steht unter Nebeneinander, eine von {1}.</translation>
    </message>
    <message>
        <source>{0} It was written by a newer program (format {1}): recover it with that one.</source>
        <translation>{0} Es wurde von einem neueren Programm geschrieben (Format {1}): mit jenem wiederherstellen.</translation>
    </message>
    <message>
        <source>{0} more</source>
        <translation>{0} weitere</translation>
    </message>
    <message>
        <source>{0} numbers were given: there are {1} valves, or one here. Put a blank between two.</source>
        <translation>{0} Nummern wurden genannt: es sind {1} Ventile, oder eins hier. Dazwischen ein Leerzeichen setzen.</translation>
    </message>
    <message>
        <source>{0} of its readings and entries could not be written to the disk: without saving they are lost.</source>
        <translation>{0} seiner Messwerte und Einträge konnten nicht auf die Platte geschrieben werden: ohne Speichern sind sie verloren.</translation>
    </message>
    <message>
        <source>{0} of {1} smoothed</source>
        <translation>{0} von {1} geglättet</translation>
    </message>
    <message>
        <source>{0} of {1} {2}</source>
        <translation>{0} von {1} {2}</translation>
    </message>
    <message>
        <source>{0} rows read</source>
        <translation>{0} Zeilen gelesen</translation>
    </message>
    <message>
        <source>{0} shows nothing yet: close it, and let it send.</source>
        <translation>{0} zeigt noch nichts: schließen und senden lassen.</translation>
    </message>
    <message>
        <source>{0} shows {1} closed: its zero is good.</source>
        <translation>{0} zeigt geschlossen {1}: die Null stimmt.</translation>
    </message>
    <message>
        <source>{0} shows {1} closed: set it to zero. {2} readings since its last look were struck out; read them again.</source>
        <translation>{0} zeigt geschlossen {1}: auf null stellen. {2} Messwerte seit dem letzten Blick wurden gestrichen; nochmals messen.</translation>
    </message>
    <message>
        <source>{0} shows {1}: close it first, and let it send.</source>
        <translation>{0} zeigt {1}: zuerst schließen und senden lassen.</translation>
    </message>
    <message>
        <source>{0} signed</source>
        <translation>{0} unterschrieben</translation>
    </message>
    <message>
        <source>{0} {1} laid on {2}.</source>
        <translation>{0} {1} auf {2} gelegt.</translation>
    </message>
    <message>
        <source>{0} — click or F6 for another</source>
        <translation>{0} — Klick oder F6 für anderes</translation>
    </message>
    <message>
        <source>{0}, spring {1}</source>
        <translation>{0}, Feder {1}</translation>
    </message>
    <message>
        <source>{0}, valve {1}</source>
        <translation>{0}, Ventil {1}</translation>
    </message>
    <message>
        <source>{0}, {1}</source>
        <translation>{0}, {1}</translation>
    </message>
    <message>
        <source>{0}, {1} springs, in head order at</source>
        <translation>{0}, {1} Federn, in Kopfreihenfolge um</translation>
    </message>
    <message>
        <source>{0}. A word on it, or nothing:</source>
        <translation>{0}. Ein Wort dazu, oder nichts:</translation>
    </message>
    <message>
        <source>{0}: done.</source>
        <translation>{0}: erledigt.</translation>
    </message>
    <message>
        <source>{0}: {1}. Why is it gone on with? The verdict stays.</source>
        <translation>{0}: {1}. Warum wird weitergemacht? Das Urteil bleibt.</translation>
    </message>
    <message>
        <source>“{0}” is read as {1}; a line that is not so gives no value.</source>
        <translation>„{0}“ wird als {1} gelesen; eine Zeile, die anders ist, gibt keinen Wert.</translation>
    </message>
    <message>
        <source>“{0}”: a whole number of days or heads is wanted, or nothing.</source>
        <translation>„{0}“: eine ganze Zahl von Tagen oder Köpfen wird verlangt, oder nichts.</translation>
    </message>
    <message>
        <source>Lan&amp;guage of the window…</source>
        <translation>Sprac&amp;he des Fensters…</translation>
    </message>
    <message>
        <source>Menus, labels and hints, from the next start; findings stay English:</source>
        <translation>Menüs, Beschriftungen und Hinweise, ab dem nächsten Start; Befunde bleiben englisch:</translation>
    </message>
    <message>
        <source>Language of the window</source>
        <translation>Sprache des Fensters</translation>
    </message>
    <message>
        <source>From the next start: {0}.</source>
        <translation>Ab dem nächsten Start: {0}.</translation>
    </message>
</context>
</TS>

/* Shown by the web server while PHP does not answer: keeps trying, and says what of the person's work waits in this browser. */
'use strict';

const EVERY_MS = 3000;

async function isBack() {
    try {
        const answer = await fetch('/api/session', { cache: 'no-store', credentials: 'same-origin' });
        return answer.status < 500;
    } catch {
        return false;
    }
}

async function attempt() {
    if (await isBack()) {
        location.reload();
        return;
    }
    const time = new Date().toLocaleTimeString();
    document.getElementById('tried').textContent = `Tried at ${time}; it is still down. Trying again every ${EVERY_MS / 1000} seconds.`;
}

/** How many changes the outbox holds (resources/js/page/outboxStorage.ts); without one, nothing is opened or made. */
async function countKept() {
    const all = (await indexedDB.databases?.()) ?? [];
    if (!all.some(({ name }) => name === 'awning-outbox')) return 0;
    return new Promise((done) => {
        const opened = indexedDB.open('awning-outbox');
        opened.onerror = () => done(0);
        opened.onsuccess = () => {
            const database = opened.result;
            if (!database.objectStoreNames.contains('changes')) {
                database.close();
                done(0);
                return;
            }
            const counted = database.transaction('changes').objectStore('changes').count();
            counted.onsuccess = () => {
                database.close();
                done(counted.result);
            };
            counted.onerror = () => done(0);
        };
    });
}

document.getElementById('again').addEventListener('click', () => void attempt());
setInterval(() => void attempt(), EVERY_MS);
void countKept().then((count) => {
    if (count > 0)
        document.getElementById('kept').textContent =
            `What is saved is safe. ${count === 1 ? 'One change of yours waits' : `${count} changes of yours wait`} in this browser, and will be sent as soon as the server is back.`;
});

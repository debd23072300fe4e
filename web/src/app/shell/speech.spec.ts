import { TestBed } from '@angular/core/testing';
import { SpeechService } from './speech.service';

describe('what is said', () => {
  let speech: SpeechService;
  let now = 0;
  beforeEach(() => {
    now = 0;
    spyOn(performance, 'now').and.callFake(() => now);
    speech = TestBed.inject(SpeechService);
  });
  const said = () => speech.words().trim();
  const later = (ms: number) => (now += ms);

  it('is said by itself, and again where it is the same', () => {
    speech.say('One.');
    const first = speech.words();
    later(1000);
    speech.say('One.');
    expect(said()).toBe('One.');
    expect(speech.words()).not.toBe(first);
    later(1000);
    speech.say('Two.');
    expect(said()).toBe('Two.');
  });

  it('of one moment is said in one breath', () => {
    speech.say('One.');
    later(100);
    speech.say('Two.');
    expect(said()).toBe('One. Two.');
    later(399);
    speech.say('Three.');
    expect(said()).toBe('One. Two. Three.');
    later(400);
    speech.say('Four.');
    expect(said()).toBe('Four.');
  });

  it('about one thing is said as it stands at last', () => {
    speech.say('Place 1.', 'order');
    speech.say('Packed.');
    speech.say('Place 2.', 'order');
    expect(said()).toBe('Packed. Place 2.');
  });
});

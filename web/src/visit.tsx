import { begin } from '@/app/begin';
import { VisitApp } from '@/app/VisitApp';

begin(<VisitApp />);
